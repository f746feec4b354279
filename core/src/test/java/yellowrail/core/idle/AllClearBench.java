package yellowrail.core.idle;

import static yellowrail.core.idle.StoryTube.ohms;
import static yellowrail.core.idle.StoryTube.toChassis;
import static yellowrail.core.idle.StoryTube.volts;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PanelMeter;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.amp.sensing.SupplyResistor;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.TubeType;

/** What the tests of this kind share. */
abstract class AllClearBench {
    static final TubeType TWENTY = StoryTube.type("T20", RatingSystem.DESIGN_CENTRE, 20, Optional.of(3.0), 6, 1);
    static final OwnResistor OWN = new OwnResistor(SenseResistor.marked(10, 1));
    static final Target.Window MIDDLE = Profiles.named("middle").orElseThrow();
    static final Mains AT_NOMINAL = Mains.around(230, Optional.of(230.0));

    /** 60 % of 20 W with everything known: the one all-clear the others are measured against. */
    static IdleQuestion good() {
        return good(TWENTY);
    }

    static IdleQuestion good(TubeType type) {
        return IdleQuestion.of(StoryTube.fixedPair(type), OWN, volts(0.3191, 1e-4), toChassis(400.3))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE);
    }

    static Verdict verdict(IdleQuestion question) {
        return IdleCheck.answer(question, Profiles.SHIPPED).verdict();
    }

    static SensingMethod anyMethod(Random random, Connection connection) {
        SenseResistor resistor = new SenseResistor(
                0.5 + 300 * random.nextDouble(),
                10 * random.nextDouble(),
                random.nextInt(8) > 0 ? Optional.empty() : Optional.of(ohms(1 + 200 * random.nextDouble(), 0.1)),
                random.nextBoolean());
        int tubes = 1 + random.nextInt(8);
        return switch (random.nextInt(10)) {
            case 0 -> new OwnResistor(resistor);
            case 1 ->
                new SocketAdaptor(0.1 + 10 * random.nextDouble(), random.nextDouble(), 0.01 * random.nextGaussian());
            case 2 -> new SharedResistor(resistor, tubes);
            case 3 -> new CombinedPoint(resistor, tubes, 0.05 * random.nextDouble());
            case 4 -> new CathodeResistor(resistor, tubes);
            case 5 ->
                new HalfPrimary(
                        ohms(20 + 200 * random.nextDouble(), 1),
                        random.nextBoolean() ? Optional.empty() : Optional.of(40 * random.nextDouble()),
                        1 + random.nextInt(4),
                        connection,
                        random.nextDouble());
            case 6 ->
                random.nextBoolean()
                        ? new CathodeMilliamps()
                        : new PlateMilliamps(Optional.empty(), random.nextBoolean());
            case 7 ->
                new PanelMeter(
                        tubes,
                        random.nextBoolean()
                                ? Optional.empty()
                                : Optional.of(new PanelMeter.Calibration(5, 0.03, 0.05)));
            case 8 -> new SupplyResistor(resistor);
            default -> new GridVoltsOnly();
        };
    }

    static IdleQuestion any(Random random) {
        List<TubeType> types = Catalogue.shipped().types();
        Connection connection = Connection.values()[random.nextInt(3)];
        BiasScheme bias = BiasScheme.values()[random.nextInt(BiasScheme.values().length)];
        StageFacts stage = new StageFacts(
                random.nextInt(10) == 0 ? Optional.empty() : Optional.of(types.get(random.nextInt(types.size()))),
                Optional.empty(),
                Topology.values()[random.nextInt(2)],
                connection,
                bias);
        SensingMethod method = anyMethod(random, connection);
        double usual =
                Math.max(1e-6, method.readingAt(new TubeCurrents(0.03, 0.002)).orElse(0.1));
        double scale =
                usual * Math.pow(10, random.nextInt(4) == 0 ? -3 + 6 * random.nextDouble() : random.nextDouble() - 0.5);
        Typed reading = new Typed("r", scale, method.field().unit(), scale / 1000);
        PlateVolts plate = PlateVolts.of(
                PlateVolts.Reference.values()[random.nextInt(4)],
                random.nextInt(8) == 0 ? Optional.empty() : Optional.of(volts(600 * random.nextDouble() + 1e-3, 0.1)));
        if (random.nextInt(bias.fixed() ? 8 : 2) == 0) {
            plate = plate.withCathode(volts(40 * random.nextDouble(), 0.1));
        }
        Optional<Mains> mains = random.nextInt(8) == 0
                ? Optional.empty()
                : Optional.of(Mains.around(
                        230, random.nextInt(8) == 0 ? Optional.empty() : Optional.of(200 + 60 * random.nextDouble())));
        Circumstances circumstances = new Circumstances(
                mains,
                random.nextInt(4) == 0,
                random.nextInt(4) == 0,
                random.nextInt(4) == 0 ? Pairing.apart() : Pairing.together(),
                random.nextBoolean() ? Optional.empty() : Optional.of(random.nextDouble()),
                Optional.empty());
        ScreenCurrent screen = switch (random.nextInt(8)) {
            case 0, 1, 2, 3, 4 -> new ScreenCurrent.TypeShare();
            case 5 -> new ScreenCurrent.NotCounted();
            default ->
                new ScreenCurrent.Measured(volts(5 * random.nextDouble(), 0.01), SenseResistor.marked(470, 5), 1);
        };
        Meter meter = Meter.CLASSES.get(random.nextInt(4));
        return new IdleQuestion(
                stage,
                method,
                random.nextInt(8) == 0 ? Optional.empty() : Optional.of(reading),
                meter,
                plate,
                random.nextBoolean() ? meter : Meter.BASIC,
                screen,
                random.nextInt(4) > 0 ? Optional.empty() : Optional.of(volts(450 * random.nextDouble() + 1, 0.1)),
                circumstances,
                random.nextInt(4) == 0 ? Optional.empty() : Optional.of(new Target.Window("wide", 0.01, 1.5, "")),
                0.3 + random.nextDouble());
    }
}
