/** Measured power and distortion of an amp, kept and compared. */
package yellowrail.app.results;
