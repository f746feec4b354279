/**
 * Ways of taking a tube's current. Each is one file: what it is called, what it is described by, how it is made of that and
 * given back, and what a reading of it tells. {@link yellowrail.core.amp.sensing.Ways} lists them; forms, addresses, JSON and
 * what is stored go through that list.
 */
package yellowrail.core.amp.sensing;
