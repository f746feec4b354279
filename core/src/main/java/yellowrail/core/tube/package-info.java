/** Tube types: designations, aliases, base and pins, ratings per rating system, and the catalogue that finds them. */
package yellowrail.core.tube;
