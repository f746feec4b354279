/**
 * The stops of the rail, each in a file of its own, and what they share. {@link yellowrail.core.session.stops.Stops} is the
 * rail; nothing outside asks which stop it is.
 */
package yellowrail.core.session.stops;
