/** Speakers with a measured impedance: imported from text, kept, written out again. */
package yellowrail.app.speakers;
