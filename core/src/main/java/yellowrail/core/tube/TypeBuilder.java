package yellowrail.core.tube;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Writes a shipped catalogue entry readably; only {@link PublishedTypes} uses it. */
final class TypeBuilder {
    private final String designation;
    private final List<String> aliases = new ArrayList<>();
    private final String construction;
    private final List<Ratings> ratings = new ArrayList<>();
    private final Map<String, String> related = new HashMap<>();
    private Optional<Pinout> pinout = Optional.empty();
    private Optional<Figure> heaterAmperes = Optional.empty();
    private Optional<ScreenShare> share = Optional.empty();
    private Envelope envelope = Envelope.unknown();

    private TypeBuilder(String designation, String construction) {
        this.designation = designation;
        this.construction = construction;
    }

    static TypeBuilder type(String designation, String construction) {
        return new TypeBuilder(designation, construction);
    }

    TypeBuilder alias(String... names) {
        aliases.addAll(List.of(names));
        return this;
    }

    TypeBuilder related(String name, String difference) {
        related.put(name, difference);
        return this;
    }

    TypeBuilder heater(Optional<Figure> amperes) {
        heaterAmperes = amperes;
        return this;
    }

    TypeBuilder share(double percent, double band) {
        share = Optional.of(new ScreenShare(percent / 100, band / 100));
        return this;
    }

    TypeBuilder envelope(Optional<Figure> diameter, Optional<Figure> overall, Optional<Figure> seated) {
        envelope = new Envelope(diameter, overall, seated);
        return this;
    }

    TypeBuilder rating(Ratings entry) {
        ratings.add(entry);
        return this;
    }

    TypeBuilder pins(Pinout pins) {
        pinout = Optional.of(pins);
        return this;
    }

    TubeType build() {
        return new TubeType(
                designation,
                aliases,
                construction,
                pinout,
                Figure.fact(6.3),
                heaterAmperes,
                ratings,
                share,
                envelope,
                related,
                "makers' published figures",
                false);
    }

    /** The common octal beam-tetrode base: heater 2 and 7, plate 3, screen 4, grid 5, cathode and beam plates 8. */
    static Pinout octal(String code, boolean verify, PinFunction pinOne, String note) {
        Map<Integer, PinFunction> pins = new TreeMap<>(Map.of(
                2, PinFunction.HEATER,
                3, PinFunction.PLATE,
                4, PinFunction.SCREEN,
                5, PinFunction.GRID,
                7, PinFunction.HEATER,
                8, PinFunction.CATHODE));
        if (pinOne != PinFunction.INTERNAL) {
            pins.put(1, pinOne);
        }
        return new Pinout(Base.OCTAL, code, pins, verify, note);
    }

    static Pinout pinout(Base base, boolean verify, String note, PinFunction... fromPinOne) {
        Map<Integer, PinFunction> pins = new TreeMap<>();
        Arrays.stream(fromPinOne).forEach(f -> pins.put(pins.size() + 1, f));
        return new Pinout(base, "", pins, verify, note);
    }
}
