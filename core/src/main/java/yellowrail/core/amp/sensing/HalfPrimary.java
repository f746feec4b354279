package yellowrail.core.amp.sensing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/**
 * The drop over one half of the output transformer's primary. It tells plate current (no screen share) in pentode
 * connection, plate plus the tapped share of the screen current in ultralinear, and cathode current in triode.
 *
 * @param coldOhms resistance of this half, measured cold with the power off, Ω
 * @param warmerBy how much warmer the copper is now, K; empty when not known
 * @param tubes tubes on this side
 * @param connection where the screens are fed from
 * @param tap ultralinear tap as a share of the half primary's turns, 0 to 1
 */
public record HalfPrimary(Typed coldOhms, Optional<Double> warmerBy, int tubes, Connection connection, double tap)
        implements SensingMethod {
    /** What a half primary's cold resistance takes. */
    public static final Field OHMS =
            Field.of("a half primary", Unit.OHM, Prefix.NONE, 1, 2000).aboveZero();

    static final Parameter COLD = Parameter.quantity("r", OHMS, " of ", "", "Marked (winding: cold), Ω", "1.00 Ω");
    private static final Parameter WARMER = Parameter.quantity(
            "warm",
            Field.of("winding temperature rise", Unit.KELVIN, Prefix.NONE, 0.1, 120)
                    .signed(),
            ", copper ",
            " warmer than when measured",
            "Copper warmer by, °C",
            "unknown");

    /** What warm copper adds where its temperature is not known, a share. */
    private static final double WARM_COPPER_EFFECT = 0.12;

    static final Way<HalfPrimary> WAY = new Way<>(
            "half",
            HalfPrimary.class,
            "across half of the primary winding",
            "across half of the primary winding",
            Way.Behind.ONE_OR_MORE,
            Way.Tells.CURRENT,
            true,
            List.of(COLD, ResistorParameters.TUBES, WARMER),
            given -> {
                Optional<Typed> cold = given.needed(COLD, "The half primary's cold ohms are missing.");
                Optional<Double> warmer = given.quantity(WARMER).map(Typed::value);
                int tubes = given.tubes(ResistorParameters.TUBES).orElse(1);
                return cold.flatMap(c ->
                        given.made(WARMER, () -> new HalfPrimary(c, warmer, tubes, given.connection(), given.tap())));
            });

    /** No output transformer that works gets warmer by more, K. */
    private static final double WARMEST = 70;

    /** Copper's temperature coefficient about room temperature, 1/K. */
    private static final double COPPER = 0.0039;

    /** How well a winding's temperature is judged, K. */
    private static final double TEMPERATURE_KNOWN_WITHIN = 5;

    public HalfPrimary {
        SenseMath.checkTubes(tubes);
        if (!(coldOhms.value() > 0 && coldOhms.value() <= 10e3)) {
            throw new IllegalArgumentException("a half primary of " + coldOhms.echo() + "; above 0, at most 10 kΩ");
        }
        if (!(tap >= 0 && tap <= 1)) {
            throw new IllegalArgumentException("an ultralinear tap of " + 100 * tap + " %; 0 to 100 %");
        }
        warmerBy.filter(k -> !(k >= -20 && k <= 120)).ifPresent(k -> {
            throw new IllegalArgumentException("a winding " + k + " °C warmer; −20 to 120");
        });
    }

    private double ohms() {
        return coldOhms.value() * (1 + COPPER * warmerBy.orElse(0.0));
    }

    @Override
    public Way<HalfPrimary> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described()
                .typed(COLD, coldOhms)
                .tubes(tubes)
                .numberOf(WARMER, warmerBy)
                .texts();
    }

    @Override
    public Field field() {
        return Field.of(
                "the drop across half of the primary winding",
                Unit.VOLT,
                Prefix.NONE,
                1e-3 * ohms(),
                0.4 * ohms() * tubes);
    }

    @Override
    public String words() {
        return "across half of the primary winding of " + (tubes == 1 ? "this tube" : tubes + " tubes");
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        ErrorBudget errors = SenseMath.meterError(reading, meter)
                .and("winding resistance", meter.limit(coldOhms) / coldOhms.value());
        List<String> notes = new ArrayList<>();
        notes.add("Both ends of the winding are at B+. The halves differ in resistance: measure each.");
        if (warmerBy.isPresent()) {
            errors = errors.and("winding temperature", COPPER * TEMPERATURE_KNOWN_WITHIN / (ohms() / coldOhms.value()));
        } else {
            notes.add(
                    "Warm copper reads high, about 4 % for each 10 °C: without the temperature this is an upper bound.");
        }
        return new SensedCurrent.Current(
                switch (connection) {
                    case PENTODE -> SensedCurrent.Kind.PLATE;
                    case ULTRALINEAR -> SensedCurrent.Kind.PLATE_AND_TAPPED_SCREEN;
                    case TRIODE -> SensedCurrent.Kind.CATHODE;
                },
                new Estimate(reading.value() / ohms() / tubes, errors),
                tubes,
                connection == Connection.ULTRALINEAR ? tap : 0,
                "I = V / (R cold · (1 + 0.0039 · ΔT))" + (tubes > 1 ? " / N" : ""),
                reading.echo() + " / (" + coldOhms.echo() + " · (1 + 0.0039 · "
                        + Show.significant(warmerBy.orElse(0.0), 3) + "))" + (tubes > 1 ? " / " + tubes : ""),
                notes);
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        double carried = switch (connection) {
            case PENTODE -> eachTube.plate();
            case ULTRALINEAR -> eachTube.plate() + tap * eachTube.screen();
            case TRIODE -> eachTube.cathode();
        };
        return OptionalDouble.of(carried * ohms() * tubes);
    }

    @Override
    public Optional<Objection> objection(Typed reading) {
        return warmerBy.filter(k -> k > WARMEST)
                .map(k -> new Objection(
                        "winding temperature",
                        "A winding " + Show.plain(k, 3) + " °C warmer than when it was measured is hotter than one can"
                                + " touch: is that its temperature, or a slip? An output transformer in use is 10 to 50 °C"
                                + " warmer."));
    }

    @Override
    public boolean takesOhms() {
        return true;
    }

    @Override
    public Optional<SensingMethod> remeasured(Typed ohms) {
        return Optional.of(new HalfPrimary(ohms, warmerBy, tubes, connection, tap));
    }

    @Override
    public Optional<Typed> halfPrimaryOhms() {
        return Optional.of(coldOhms);
    }

    @Override
    public Optional<NotKnown> notKnown() {
        return warmerBy.isPresent()
                ? Optional.empty()
                : Optional.of(new NotKnown(
                        "winding temperature",
                        WARM_COPPER_EFFECT,
                        "The winding's temperature is not known: warm copper reads high, about 4 % for each 10 °C."));
    }
}
