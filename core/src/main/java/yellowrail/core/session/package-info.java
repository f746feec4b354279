/**
 * The bench session: the stops of the rail, what opens them, and what a session found. A session is its events in order;
 * its state is a function of them and has no clock of its own.
 */
package yellowrail.core.session;
