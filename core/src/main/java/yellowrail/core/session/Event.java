package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;

/** Something that happened in a session. Events are only ever added; undoing is a further event. */
public sealed interface Event {
    /** Went to a stop. */
    record Entered(Stop stop) implements Event {}

    /** A stop was left out; the reason is printed. */
    record Skipped(Stop stop, String reason) implements Event {}

    /** The builder declared the amp's state. */
    record Declared(Power power) implements Event {}

    /** A lamp or other limiter was put in series, or taken out. */
    record LimiterSet(boolean inSeries) implements Event {}

    /** Something was confirmed, or the confirmation taken back; {@code point} is a socket where one is meant. */
    record Ticked(Check check, String point, boolean done) implements Event {}

    /**
     * A reading.
     *
     * @param point the socket, sense point, node or control; empty for the whole amp
     * @param supersedes id of the reading this one corrects; empty for a fresh one
     * @param reason why it was corrected, or why a cautioned reading was taken all the same
     */
    record Read(Quantity quantity, String point, Typed typed, String supersedes, String reason) implements Event {
        public static Read of(Quantity quantity, String point, Typed typed) {
            return new Read(quantity, point, typed, "", "");
        }
    }

    /** A reading was taken back: it stays on record, struck through, and counts in no figure. */
    record Voided(String reading, String reason) implements Event {}

    /** A reading was entered at the wrong point: it counts at this one. */
    record Moved(String reading, String point, String reason) implements Event {}

    /** A bias control was turned; the way is empty when it was not noted. */
    record Turned(String control, Optional<Way> way, String reason) implements Event {}

    /** Which way a control was turned, seen from its own side. */
    enum Way {
        CW,
        CCW
    }

    /** Which turn is hotter, as found with the tubes out. */
    record DirectionSeen(String control, Control.Direction direction) implements Event {}

    /** A tube was put into a socket; the label names the individual tube. */
    record Placed(String socket, String tube) implements Event {}

    /** The tubes of two sockets changed places. */
    record Exchanged(String socketA, String socketB) implements Event {}

    /** A part was changed, or another fact about the amp. */
    record Changed(String what, String from, String to, String reason) implements Event {}

    /** What was behind an open finding, and what was done about it. */
    record CauseFound(String finding, String fact) implements Event {}

    /** A note. */
    record Noted(Topic topic, String text) implements Event {}

    /** What a note is about. */
    enum Topic {
        HUM("hum"),
        NOISE("noise"),
        MICROPHONY("microphony"),
        GLOW("glow, not evidence of current"),
        OTHER("note");

        private final String words;

        Topic(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The present bias setting gets a letter, to be listened to; hidden until a choice is made when blind. */
    record Labelled(String label, boolean blind) implements Event {}

    /** What was heard at a setting. */
    record Heard(String label, String text) implements Event {}

    /** The setting chosen by ear; hidden values show from here on. */
    record Chose(String label) implements Event {}

    /** A target window was chosen for this session; a reason is needed above the ceiling. */
    record Aimed(String target, String reason) implements Event {}

    /** How the fixed bias of this amp behaves when the mains moves, which its description left open. */
    record BiasTold(BiasScheme bias) implements Event {}

    /** Resistor values the builder has at hand, Ω, for a cathode resistor. */
    record Drawer(List<Double> ohms) implements Event {
        public Drawer {
            ohms = List.copyOf(ohms);
        }
    }

    /** A tier of service with the owner's choice. */
    record Tiered(String tier, String items, boolean chosen) implements Event {}

    /** "Power off now". */
    record EmergencyStop(String what) implements Event {}

    /** Going on after an emergency stop, with what was found. */
    record Resumed(String found) implements Event {}

    /** The sheet was signed. */
    record SignedOff(String by, String remarks) implements Event {}

    /** The session ends without a sheet. */
    record ClosedUnsigned(String reason) implements Event {}
}
