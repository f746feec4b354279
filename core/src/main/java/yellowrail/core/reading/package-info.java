/** Quantities as a meter shows them, how exact they are, and how their errors combine. SI base units throughout. */
package yellowrail.core.reading;
