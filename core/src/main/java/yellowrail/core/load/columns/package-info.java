/** Ways of writing columns of figures as text, a file each. */
package yellowrail.core.load.columns;
