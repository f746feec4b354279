/**
 * What can happen in a session. Each event is a file: its record, the word and fields it is sent by, why it may not happen,
 * what it does late, and how it reads in the log. {@link yellowrail.core.session.events.Events} lists them.
 */
package yellowrail.core.session.events;
