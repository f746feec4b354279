package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Figure;

/** The bulb against the room there is: hot glass wants air around it, and a cage must close. */
final class SizeRow {
    /** Nearer than this to its neighbours glass and what stands beside it heat one another, mm; a round figure of ours. */
    private static final double AIR = 5;

    private SizeRow() {}

    static SwapRow of(SwapQuestion question) {
        Envelope size = question.candidate().type().envelope();
        Room room = question.chassis().part(Room.class);
        boolean tried = room.tried().orElse(false);
        List<String> said = new ArrayList<>();
        SwapVerdict verdict = one(said, "diameter", size.diameterMm(), room.diameterMm(), tried)
                .worse(one(said, "height above the socket", size.seatedMm(), room.heightMm(), tried));
        if (question.chassis().part(SocketWiring.class).adaptor()) {
            said.add("an adaptor lifts it by its own height, which is not known here");
            verdict = verdict.worse(tried ? SwapVerdict.NOTE : SwapVerdict.UNKNOWN);
        }
        if (!room.tried().orElse(true)) {
            said.add("held in place it does not fit");
            verdict = SwapVerdict.FAIL;
        } else if (tried) {
            said.add("held in place it fits");
        }
        String sentence = String.join("; ", said);
        return SwapRow.of(
                        Criterion.SIZE,
                        verdict,
                        Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1) + ".")
                .figures(
                        mm(size.diameterMm().map(Figure::value)) + " by "
                                + mm(size.seatedMm().map(Figure::value)),
                        room.diameterMm().isEmpty() && room.heightMm().isEmpty()
                                ? "not answered"
                                : mm(room.diameterMm()) + " by " + mm(room.heightMm()),
                        Double.NaN)
                .mend(
                        verdict == SwapVerdict.FAIL
                                ? "Other clamps or a higher cage, with air between the bulbs."
                                : verdict == SwapVerdict.UNKNOWN ? "Measure tube and room, or hold one in place." : "");
    }

    private static SwapVerdict one(
            List<String> said, String what, Optional<Figure> size, Optional<Double> room, boolean tried) {
        if (room.isEmpty()) {
            said.add("the room for its " + what + " is not answered"
                    + size.map(f -> ", it has " + mm(Optional.of(f.value()))).orElse(""));
            return tried ? SwapVerdict.NOTE : SwapVerdict.UNKNOWN;
        }
        if (size.isEmpty()) {
            said.add("its " + what + " is not in the catalogue, " + mm(room) + " are free");
            return tried ? SwapVerdict.NOTE : SwapVerdict.UNKNOWN;
        }
        double needs = size.get().value();
        double left = room.get() - needs;
        boolean fits = left >= 0;
        said.add(what + " " + mm(Optional.of(needs)) + " of " + mm(room)
                + (fits
                        ? left < AIR ? ", only " + mm(Optional.of(left)) + " of air" : ""
                        : ": " + mm(Optional.of(-left)) + " too much")
                + (size.get().toBeVerified() ? ", to be verified with the maker's sheet" : ""));
        return !fits ? SwapVerdict.FAIL : left < AIR || size.get().toBeVerified() ? SwapVerdict.NOTE : SwapVerdict.PASS;
    }

    private static String mm(Optional<Double> millimetres) {
        return millimetres.map(v -> Show.plain(v, 3) + " mm").orElse("?");
    }
}
