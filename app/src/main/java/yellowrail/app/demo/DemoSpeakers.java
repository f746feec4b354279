package yellowrail.app.demo;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.hipparchus.complex.Complex;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.Speaker;

/** A twelve-inch speaker whose impedance was measured: a simulated one, with what a measuring program writes. */
final class DemoSpeakers {
    private static final Speaker CONE = new Speaker.Modelled(6.3, 0.7e-3, 28, 84, 52, 4.5);
    private static final int POINTS = 120;

    private DemoSpeakers() {}

    static void keep(SpeakerStore speakers, UUID id) {
        StringBuilder text = new StringBuilder("* reed12, free air\nFreq(Hz)\tImp(Ohm)\tPhase(deg)\n");
        for (double hertz : HeatOverFrequency.spread(20, 20e3, POINTS)) {
            Complex z = CONE.at(hertz);
            text.append(
                    String.format(Locale.ROOT, "%.2f\t%.3f\t%.2f\n", hertz, z.norm(), Math.toDegrees(z.getArgument())));
        }
        speakers.keep(id, "reed12", Optional.of(8.0), text.toString());
    }
}
