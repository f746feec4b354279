/** Tables of published figures that ship with the core, one CSV file each. */
package yellowrail.core.table;
