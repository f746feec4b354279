/** Curves of tube types: the shipped ones, and those a builder fitted to published points. */
package yellowrail.app.curves;
