package yellowrail.core.amp;

import java.util.ArrayList;
import java.util.List;
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
    public Field field() {
        return Field.of("the drop over the half primary", Unit.VOLT, Prefix.NONE, 1e-3 * ohms(), 0.4 * ohms() * tubes);
    }

    @Override
    public String words() {
        return "over the half primary of " + (tubes == 1 ? "this tube" : tubes + " tubes");
    }

    @Override
    public Seen see(Typed reading, Meter meter) {
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
        return new Seen.Current(
                switch (connection) {
                    case PENTODE -> Seen.Kind.PLATE;
                    case ULTRALINEAR -> Seen.Kind.PLATE_AND_TAPPED_SCREEN;
                    case TRIODE -> Seen.Kind.CATHODE;
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
}
