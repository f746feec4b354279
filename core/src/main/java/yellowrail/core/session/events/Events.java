package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;

/** Every kind of event. A new one is a file of its own and a line here. */
public final class Events {
    public static final List<Kind<?>> KINDS = List.of(
            Entered.KIND,
            Skipped.KIND,
            Declared.KIND,
            LimiterSet.KIND,
            Ticked.KIND,
            Read.KIND,
            Voided.KIND,
            Moved.KIND,
            Turned.KIND,
            DirectionSeen.KIND,
            Placed.KIND,
            Exchanged.KIND,
            Named.KIND,
            AdaptorMoved.KIND,
            Opened.KIND,
            Changed.KIND,
            CauseFound.KIND,
            Noted.KIND,
            Looked.KIND,
            Microphony.KIND,
            Hum.KIND,
            Ripple.KIND,
            Labelled.KIND,
            Heard.KIND,
            Chose.KIND,
            Aimed.KIND,
            ToMiddle.KIND,
            BiasTold.KIND,
            Tiered.KIND,
            Drawer.KIND,
            EmergencyStop.KIND,
            Resumed.KIND,
            ClosedUnsigned.KIND,
            SignedOff.KIND);

    private Events() {}

    public static Optional<Kind<?>> kind(String word) {
        return KINDS.stream().filter(k -> k.word().equals(word)).findFirst();
    }

    public static List<String> words() {
        return KINDS.stream().map(Kind::word).toList();
    }
}
