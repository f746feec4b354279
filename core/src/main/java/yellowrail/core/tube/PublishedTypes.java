package yellowrail.core.tube;

import static yellowrail.core.tube.Figure.fact;
import static yellowrail.core.tube.Figure.unknown;
import static yellowrail.core.tube.Figure.verify;
import static yellowrail.core.tube.PinFunction.CATHODE;
import static yellowrail.core.tube.PinFunction.GRID;
import static yellowrail.core.tube.PinFunction.HEATER;
import static yellowrail.core.tube.PinFunction.INTERNAL;
import static yellowrail.core.tube.PinFunction.NONE;
import static yellowrail.core.tube.PinFunction.PLATE;
import static yellowrail.core.tube.PinFunction.SCREEN;
import static yellowrail.core.tube.PinFunction.SUPPRESSOR;
import static yellowrail.core.tube.RatingSystem.ABSOLUTE;
import static yellowrail.core.tube.RatingSystem.DESIGN_CENTRE;
import static yellowrail.core.tube.RatingSystem.DESIGN_MAXIMUM;
import static yellowrail.core.tube.RatingSystem.UNSTATED;
import static yellowrail.core.tube.TypeBuilder.octal;
import static yellowrail.core.tube.TypeBuilder.pinout;
import static yellowrail.core.tube.TypeBuilder.type;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The shipped types, from the makers' published figures: {@code fact} is certain, {@code verify} is marked to be
 * verified with the maker's sheet, {@code unknown} is left blank.
 *
 * <p>Screen shares are the range of the published class-AB idle points, rounded, with a band that covers them.
 */
final class PublishedTypes {
    private static final String NO_NOTE = "";

    private PublishedTypes() {}

    static List<TubeType> all() {
        return List.of(
                v6GT(), el84(), l6GC(), l6GB(), t5881(), el34(), t6550(), t6550A(), kt66(), kt88(), t7591(), t6973(),
                t7027A(), kt90(), kt120(), kt150());
    }

    //                          system, edition, plate W, screen W, both W, plate V, screen V, cathode A, Rg fixed, Rg
    // self
    private static TubeType v6GT() {
        return type("6V6GT", "beam tetrode")
                .alias("6V6GTA")
                .pins(octal("", false, NONE, NO_NOTE))
                .heater(fact(0.45))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre, 1950s",
                        fact(12),
                        fact(2),
                        unknown(),
                        fact(315),
                        fact(285),
                        unknown(),
                        fact(100e3),
                        fact(500e3)))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum, 1960s revision",
                        fact(14),
                        fact(2.2),
                        unknown(),
                        fact(350),
                        fact(315),
                        unknown(),
                        fact(100e3),
                        fact(500e3)))
                .share(6, 2)
                .envelope(verify(30), verify(84), verify(70))
                .build();
    }

    private static TubeType el84() {
        return type("EL84", "pentode")
                .alias("6BQ5")
                .related("7189", "stands more plate and screen volts (400 V and 300 V, verify); watts alike")
                .pins(new Pinout(
                        Base.NOVAL,
                        "9CV",
                        new TreeMap<>(Map.of(
                                1, INTERNAL, 2, GRID, 3, CATHODE, 4, HEATER, 5, HEATER, 6, INTERNAL, 7, PLATE, 8,
                                INTERNAL, 9, SCREEN)),
                        false,
                        "pins 1, 6 and 8 are internal: leave them free"))
                .heater(fact(0.76))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre",
                        fact(12),
                        fact(2),
                        unknown(),
                        fact(300),
                        fact(300),
                        fact(0.065),
                        fact(300e3),
                        fact(1e6)))
                .share(10, 1.5)
                .envelope(fact(22.2), verify(78), fact(71.5))
                .build();
    }

    private static TubeType l6GC() {
        return type("6L6GC", "beam tetrode")
                .pins(octal("", false, NONE, NO_NOTE))
                .heater(fact(0.9))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(30),
                        fact(5),
                        unknown(),
                        fact(500),
                        fact(450),
                        unknown(),
                        fact(100e3),
                        fact(500e3)))
                .share(5.3, 1.5)
                .envelope(verify(38), unknown(), unknown())
                .build();
    }

    private static TubeType l6GB() {
        return type("6L6GB", "beam tetrode")
                .alias("6L6G")
                .pins(octal("", false, NONE, NO_NOTE))
                .heater(fact(0.9))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre",
                        fact(19),
                        fact(2.5),
                        unknown(),
                        fact(360),
                        fact(270),
                        unknown(),
                        fact(100e3),
                        fact(500e3)))
                .share(5.3, 1.5)
                .build();
    }

    private static TubeType t5881() {
        return type("5881", "beam tetrode")
                .related("6L6WGB", "near, not the same")
                .pins(octal("", false, INTERNAL, NO_NOTE))
                .heater(fact(0.9))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre",
                        fact(23),
                        fact(3),
                        unknown(),
                        fact(400),
                        fact(400),
                        unknown(),
                        fact(100e3),
                        fact(500e3)))
                .share(5.3, 1.5)
                .envelope(verify(37), unknown(), unknown())
                .build();
    }

    private static TubeType el34() {
        return type("EL34", "pentode (some 6CA7 are beam tetrodes)")
                .alias("6CA7")
                .pins(octal(
                        "",
                        false,
                        SUPPRESSOR,
                        "the suppressor has its own pin 1: it must be tied to pin 8; look for a socket that uses pin 1"
                                + " or 6 as a tie point"))
                .heater(fact(1.5))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre",
                        fact(25),
                        fact(8),
                        unknown(),
                        fact(800),
                        verify(500),
                        fact(0.150),
                        fact(500e3),
                        fact(700e3)))
                .share(12.5, 2)
                .envelope(fact(33), verify(113), verify(98))
                .build();
    }

    private static TubeType t6550() {
        return type("6550", "beam tetrode")
                .related("6550A", "higher ratings, an entry of its own")
                .pins(octal("", false, NONE, "pin 1 may be the base sleeve"))
                .heater(fact(1.6))
                .rating(new Ratings(
                        DESIGN_CENTRE,
                        "design centre, original",
                        fact(35),
                        fact(6),
                        unknown(),
                        fact(600),
                        fact(400),
                        fact(0.175),
                        fact(50e3),
                        fact(250e3)))
                .share(4.5, 2)
                .envelope(verify(52), unknown(), unknown())
                .build();
    }

    private static TubeType t6550A() {
        return type("6550A", "beam tetrode")
                .related("6550", "the original, lower ratings, an entry of its own")
                .pins(octal("", false, NONE, "pin 1 may be the base sleeve"))
                .heater(fact(1.6))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(42),
                        fact(6),
                        unknown(),
                        fact(660),
                        fact(440),
                        verify(0.190),
                        verify(50e3),
                        verify(250e3)))
                .share(4.5, 2)
                .envelope(verify(52), unknown(), unknown())
                .build();
    }

    private static TubeType kt66() {
        return type("KT66", "beam tetrode")
                .pins(octal("7AC", false, INTERNAL, NO_NOTE))
                .heater(fact(1.27))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(25),
                        fact(3.5),
                        unknown(),
                        fact(500),
                        verify(500),
                        verify(0.200),
                        unknown(),
                        unknown()))
                .rating(new Ratings(
                        ABSOLUTE,
                        "absolute",
                        verify(30),
                        verify(4.5),
                        unknown(),
                        verify(550),
                        unknown(),
                        unknown(),
                        unknown(),
                        unknown()))
                .share(5.3, 1.5)
                .envelope(verify(53), verify(135), unknown())
                .build();
    }

    private static TubeType kt88() {
        return type("KT88", "beam tetrode")
                .pins(octal("", false, NONE, "pin 1 may be the metal base shell"))
                .heater(fact(1.6))
                .rating(new Ratings(
                        ABSOLUTE,
                        "absolute",
                        fact(42),
                        fact(8),
                        fact(46),
                        fact(800),
                        fact(600),
                        fact(0.230),
                        verify(220e3),
                        verify(470e3)))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        verify(35),
                        verify(6),
                        verify(40),
                        fact(800),
                        fact(600),
                        unknown(),
                        unknown(),
                        unknown()))
                .share(4.5, 2)
                .envelope(verify(52), verify(125), verify(110))
                .build();
    }

    private static TubeType t7591() {
        return type("7591", "beam tetrode")
                .alias("7591A")
                .pins(new Pinout(
                        Base.OCTAL,
                        "",
                        new TreeMap<>(
                                Map.of(2, HEATER, 3, PLATE, 4, SCREEN, 5, CATHODE, 6, GRID, 7, HEATER, 8, SCREEN)),
                        true,
                        "not the pin-out of the 6L6 family"))
                .heater(fact(0.8))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(19),
                        fact(3.3),
                        unknown(),
                        fact(550),
                        fact(440),
                        fact(0.085),
                        fact(300e3),
                        verify(1e6)))
                .share(12, 2)
                .envelope(verify(30), unknown(), unknown())
                .build();
    }

    private static TubeType t6973() {
        // The pin functions recalled for this type are not sure enough to probe by: left blank.
        return type("6973", "beam tetrode")
                .pins(pinout(
                        Base.NOVAL,
                        true,
                        "pins not known for sure here: take them from the maker's sheet; not the"
                                + " pin-out of the EL84"))
                .heater(fact(0.45))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(12),
                        fact(2),
                        unknown(),
                        fact(440),
                        fact(330),
                        unknown(),
                        unknown(),
                        unknown()))
                .share(6, 2)
                .envelope(verify(22.2), unknown(), unknown())
                .build();
    }

    private static TubeType t7027A() {
        return type("7027A", "beam tetrode")
                .pins(pinout(
                        Base.OCTAL,
                        false,
                        "pins 1 and 6 are live inside: a socket that uses them as tie points shorts" + " something",
                        SCREEN,
                        HEATER,
                        PLATE,
                        SCREEN,
                        GRID,
                        GRID,
                        HEATER,
                        CATHODE))
                .heater(fact(0.9))
                .rating(new Ratings(
                        DESIGN_MAXIMUM,
                        "design maximum",
                        fact(35),
                        fact(5),
                        unknown(),
                        fact(600),
                        fact(500),
                        verify(0.150),
                        fact(100e3),
                        verify(500e3)))
                .share(4.5, 2)
                .build();
    }

    private static TubeType kt90() {
        return type("KT90", "beam tetrode")
                .pins(octal("", true, INTERNAL, NO_NOTE))
                .heater(verify(1.6))
                .rating(new Ratings(
                        UNSTATED,
                        "maker's figures",
                        verify(50),
                        unknown(),
                        unknown(),
                        verify(750),
                        unknown(),
                        unknown(),
                        unknown(),
                        unknown()))
                .build();
    }

    private static TubeType kt120() {
        return type("KT120", "beam tetrode")
                .pins(octal("", true, INTERNAL, NO_NOTE))
                .heater(verify(1.95))
                .rating(new Ratings(
                        UNSTATED,
                        "maker's figures",
                        fact(60),
                        verify(8),
                        unknown(),
                        verify(850),
                        verify(650),
                        verify(0.250),
                        unknown(),
                        unknown()))
                .build();
    }

    private static TubeType kt150() {
        return type("KT150", "beam tetrode")
                .pins(octal("", true, INTERNAL, NO_NOTE))
                .heater(verify(2.0))
                .rating(new Ratings(
                        UNSTATED,
                        "maker's figures",
                        fact(70),
                        verify(9),
                        unknown(),
                        verify(850),
                        verify(650),
                        verify(0.275),
                        unknown(),
                        unknown()))
                .build();
    }

    static Optional<List<String>> family(String normalised) {
        return Optional.ofNullable(FAMILIES.get(normalised));
    }

    /** Names that mean a family, not a type: the builder is asked which variant is fitted. */
    private static final Map<String, List<String>> FAMILIES = Map.of(
            "6L6", List.of("6L6GB", "6L6GC", "5881"),
            "88", List.of("KT88"),
            "KT", List.of("KT66", "KT88", "KT90", "KT120", "KT150"),
            "6V6", List.of("6V6GT"),
            "7027", List.of("7027A"));
}
