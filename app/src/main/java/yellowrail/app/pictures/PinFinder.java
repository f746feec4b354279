package yellowrail.app.pictures;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.tube.Base;
import yellowrail.core.tube.PinFunction;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.TubeType;

/** A tube base with the pins to probe for a sensing method, seen from below or above. */
public record PinFinder(
        String title, String view, Base base, List<Pin> pins, boolean toBeVerified, String note, String label) {
    private static final double MIDDLE = 120;
    private static final double PINS_AT = 56;
    private static final double WORDS_AT = 86;

    /** One pin; {@code probe} is plate, cathode, grid or empty. */
    public record Pin(
            int number, String x, String y, String wordX, String wordY, String anchor, String word, String probe) {}

    /** Empty when the base or its pins are not known for sure. */
    public static Optional<PinFinder> of(TubeType type, SensingMethod method, boolean fromBelow) {
        Optional<Pinout> known = type.pinout().filter(p -> !p.pins().isEmpty());
        return known.map(pinout -> draw(type, pinout, method, fromBelow));
    }

    private static PinFinder draw(TubeType type, Pinout pinout, SensingMethod method, boolean fromBelow) {
        Set<PinFunction> probed = new LinkedHashSet<>(List.of(PinFunction.PLATE));
        method.probedPin().ifPresent(probed::add);
        List<Pin> pins = new ArrayList<>();
        for (int number = 1; number <= pinout.base().pins(); number++) {
            pins.add(pin(pinout, number, probed, fromBelow));
        }
        StringBuilder label = new StringBuilder(
                type.designation() + ", " + pinout.base().words() + " base " + view(fromBelow) + ". Probe");
        for (PinFunction function : probed) {
            String at = String.join(
                    " or ", pinout.of(function).stream().map(String::valueOf).toList());
            boolean cap = pinout.cap().filter(c -> c == function).isPresent();
            if (cap || !at.isEmpty()) {
                label.append(' ')
                        .append(function.words())
                        .append(cap ? " at the cap on top" : " at pin " + at)
                        .append(',');
            }
        }
        label.setLength(label.length() - 1);
        return new PinFinder(
                type.designation() + ", " + pinout.base().words(),
                view(fromBelow),
                pinout.base(),
                pins,
                pinout.toBeVerified(),
                sentence(pinout.note()),
                label + ".");
    }

    private static String sentence(String note) {
        return note.isEmpty() ? "" : Character.toUpperCase(note.charAt(0)) + note.substring(1) + ".";
    }

    private static String view(boolean fromBelow) {
        return fromBelow ? "seen from below" : "seen from above";
    }

    /** Pins run clockwise seen from below, from what tells where pin 1 is, which is at the bottom here. */
    private static Pin pin(Pinout pinout, int number, Set<PinFunction> probed, boolean fromBelow) {
        double degrees = 90 + pinout.base().degrees(number);
        double across = Math.cos(Math.toRadians(degrees)) * (fromBelow ? 1 : -1);
        double down = Math.sin(Math.toRadians(degrees));
        Optional<PinFunction> function = Optional.ofNullable(pinout.pins().get(number));
        String word = function.filter(f -> f != PinFunction.NONE)
                .map(PinFunction::words)
                .orElse("–");
        return new Pin(
                number,
                at(across * PINS_AT),
                at(down * PINS_AT),
                at(across * WORDS_AT),
                at(down * WORDS_AT),
                across > 0.3 ? "start" : across < -0.3 ? "end" : "middle",
                word,
                function.filter(probed::contains)
                        .map(f -> f.name().toLowerCase(Locale.ROOT))
                        .orElse(""));
    }

    private static String at(double offset) {
        return String.format(Locale.ROOT, "%.1f", MIDDLE + offset);
    }
}
