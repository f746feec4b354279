package yellowrail.app.speakers;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import yellowrail.app.pictures.FrequencyPlot;
import yellowrail.app.pictures.LogPlot;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.Speaker;
import yellowrail.core.reading.Show;

/** A kept speaker as shown, its curve thinned to what a drawing can show. */
record SpeakerView(UUID id, String name, String words, FrequencyPlot plot) {
    private static final int DRAWN = 240;
    private static final double LOW = 20;
    private static final double HIGH = 20_000;

    static SpeakerView of(KeptSpeaker kept) {
        Speaker.Measured speaker = kept.speaker();
        List<double[]> points = new ArrayList<>();
        for (double f : HeatOverFrequency.spread(LOW, HIGH, DRAWN)) {
            if (f >= speaker.curve().leastHertz() && f <= speaker.curve().mostHertz()) {
                points.add(new double[] {f, speaker.at(f).norm()});
            }
        }
        double nominal = speaker.nominalOhms();
        LogPlot plot = new LogPlot(LOW, HIGH, 2 * nominal, points);
        Instrument band = Instrument.GUITAR;
        return new SpeakerView(
                kept.id(),
                kept.name(),
                speaker.words() + speaker.contradiction().map(c -> ". " + c).orElse(""),
                new FrequencyPlot(
                        plot.axis(),
                        band.words(),
                        plot.x(band.lowHertz()),
                        plot.x(band.highHertz()),
                        List.of(new FrequencyPlot.Curve("impedance, Ω", "plate", plot.path(points))),
                        plot.y(nominal),
                        Show.significant(nominal, 2) + " Ω nominal"));
    }
}
