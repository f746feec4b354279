package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * A test point that carries N tubes and perhaps other loads: {@code Ik = (V/R − I_other) / N}, a mean.
 *
 * @param otherAmperes what else flows through it, A, zero or above; taken as known within ±10 %
 */
public record CombinedPoint(SenseResistor resistor, int tubes, double otherAmperes) implements CathodePath {
    private static final Parameter OTHER = Parameter.quantity(
            "other",
            Field.of("other loads", Unit.AMPERE, Prefix.MILLI, 0.1e-3, 0.5),
            " and ",
            " of other loads",
            "Other loads there, mA",
            "0 mA");

    static final Way<CombinedPoint> WAY = new Way<>(
            "combined",
            CombinedPoint.class,
            "at a combined test point",
            "at a combined test point",
            Way.Behind.ONE_OR_MORE,
            Way.Tells.CURRENT,
            true,
            Stream.concat(ResistorParameters.RESISTOR.stream(), Stream.of(ResistorParameters.TUBES, OTHER))
                    .toList(),
            given -> ResistorParameters.resistor(given)
                    .flatMap(r -> ResistorParameters.tubes(given, 1).flatMap(n -> {
                        double other = given.quantity(OTHER).map(Typed::value).orElse(0.0);
                        return given.made(OTHER, () -> new CombinedPoint(r, n, other));
                    })));

    /** How well a builder knows the other loads of a test point. */
    private static final double OTHER_KNOWN_WITHIN = 0.10;

    public CombinedPoint {
        SenseMath.checkTubes(tubes);
        if (!(otherAmperes >= 0 && otherAmperes <= 1)) {
            throw new IllegalArgumentException("other loads of " + otherAmperes + " A; 0 to 1 A");
        }
    }

    @Override
    public Way<CombinedPoint> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described()
                .resistor(resistor)
                .tubes(tubes)
                .milli(OTHER, otherAmperes, "A")
                .texts();
    }

    @Override
    public Field field() {
        return SenseMath.dropField("the reading at the test point", resistor.ohms(), tubes);
    }

    @Override
    public String words() {
        return "at a test point for " + tubes + (tubes == 1 ? " tube" : " tubes");
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        SensedCurrent.Current all = SenseMath.cathodeCurrent(reading, meter, resistor, 1, List.of());
        double total = all.perTube().value();
        double net = total - otherAmperes;
        if (net < 0) {
            return new SensedCurrent.Nothing("the test point carries " + Show.si(total, Unit.AMPERE)
                    + ", less than the " + Show.si(otherAmperes, Unit.AMPERE, 3) + " stated for other loads");
        }
        double scale = net == 0 ? 0 : total / net;
        double other = net == 0 ? 0 : OTHER_KNOWN_WITHIN * otherAmperes / net;
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE,
                new Estimate(net / tubes, all.perTube().errors().times(scale).and("other loads", other)),
                tubes,
                0,
                "Ik = (V / R − I other) / N",
                "(" + all.numbers() + " − " + Show.si(otherAmperes, Unit.AMPERE, 3) + ") / " + tubes,
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of((eachTube.cathode() * tubes + otherAmperes) * resistor.ohms());
    }

    @Override
    public SensingMethod with(SenseResistor other) {
        return new CombinedPoint(other, tubes, otherAmperes);
    }
}
