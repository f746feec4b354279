/** The idle check: what a reading means in watts, how sure that is, and the reasoned verdict. */
package yellowrail.core.idle;
