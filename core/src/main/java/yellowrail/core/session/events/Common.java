package yellowrail.core.session.events;

import yellowrail.core.session.Stop;
import yellowrail.core.session.stops.Stops;

/** Fields that several kinds of entries have. */
final class Common {
    static final EntryField<String> SOCKET = EntryField.sentence("socket", "Name of the socket");
    static final EntryField<String> TUBE = EntryField.name("tube", "What stands on the tube's label");
    static final EntryField<String> CONTROL = EntryField.sentence("control", "Name of the control");
    static final EntryField<String> READING = EntryField.sentence("reading", "Id of the reading");
    static final EntryField<String> LABEL = EntryField.sentence("label", "Label of the setting");
    static final EntryField<String> REASON = EntryField.sentence("reason", "Why");
    static final EntryField<String> TEXT = EntryField.note("text", "In words");
    static final EntryField<Stop> STOP = EntryField.one("stop", "A stop of the rail", Stops.RAIL::stops, Stop::id);

    private Common() {}
}
