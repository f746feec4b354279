package yellowrail.app.demo;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.Lead;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The demo pair's own output transformer, measured from both sides, and one from the shelf whose tubes are to be guessed. */
final class DemoTransformers {
    private static final List<Double> TAPS = List.of(4.0, 8.0, 16.0);
    private static final double LOSS = 0.003;

    private final TransformerStore transformers;
    private final Function<String, UUID> ids;

    /** @param ids an id for a name, the same every time */
    DemoTransformers(TransformerStore transformers, Function<String, UUID> ids) {
        this.transformers = transformers;
        this.ids = ids;
    }

    void keep(UUID bittern) {
        UUID own = kept(
                "bittern",
                new TransformerDescription(
                        "Bittern's own",
                        Optional.of(4200.0),
                        TAPS,
                        new Windings(true, Optional.of(64.5), Optional.of(71.2), Optional.of(0.38)),
                        Optional.of(46.0),
                        Optional.empty(),
                        Optional.of(60.0),
                        Optional.of(50.0)),
                4230,
                24);
        transformers.fit(
                ids.apply("transformer/bittern/fitted"), own, Optional.of(new KeptTransformer.Fitted(bittern, 1)));
        kept(
                "box",
                new TransformerDescription(
                        "From the box of irons",
                        Optional.empty(),
                        TAPS,
                        new Windings(true, Optional.of(148.0), Optional.of(167.0), Optional.empty()),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()),
                7900,
                15);
    }

    /** @param ohms what its primary really shows, Ω; what is lost on the way makes either side read low */
    private UUID kept(String name, TransformerDescription description, double ohms, double primaryVolts) {
        double turns = Math.sqrt(ohms / 8);
        Lead tap = Lead.tap(8);
        Map<UUID, AcReading> readings = new LinkedHashMap<>();
        readings.put(
                ids.apply("transformer/" + name + "/from the primary"),
                new AcReading(
                        Lead.PRIMARY,
                        volts(primaryVolts, 2),
                        tap,
                        volts(primaryVolts / turns * (1 - LOSS), 4),
                        Meter.HANDHELD));
        readings.put(
                ids.apply("transformer/" + name + "/from the tap"),
                new AcReading(tap, volts(0.5, 4), Lead.PRIMARY, volts(0.5 * turns * (1 - LOSS), 2), Meter.HANDHELD));
        UUID id = ids.apply("transformer/" + name);
        if (transformers.find(id).isEmpty()) {
            transformers.keep(ids.apply("transformer/" + name + "/1"), id, 0, description, readings);
        }
        return id;
    }

    private static Typed volts(double volts, int decimals) {
        String text = Show.fixed(volts, decimals);
        return new Typed(text + " V", Double.parseDouble(text), Unit.VOLT, Math.pow(10, -decimals));
    }
}
