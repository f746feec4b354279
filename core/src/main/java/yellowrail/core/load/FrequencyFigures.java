package yellowrail.core.load;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Figures;
import yellowrail.core.judging.Value;
import yellowrail.core.stage.Heat;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/**
 * The hottest over the frequencies of a band for the judge, at each mains it was solved for, with the model's band and that
 * of an inductance that is not known. Of a tone it is that of the worst frequency and level; of what is played the average
 * over octaves of equal power; never less than at idle, nor than of what is quieter.
 */
public final class FrequencyFigures implements Figures {
    private static final String INDUCTANCE = "the primary's inductance, not known";

    /** At one mains: with the inductance that is taken, and with others that it may have. */
    private record Solved(double mains, HeatOverFrequency heat, List<HeatOverFrequency> others) {}

    /**
     * Where a figure is highest.
     *
     * @param figure in the limit's unit
     * @param lowHertz of one frequency, of an octave or of the band; NaN at idle
     * @param highHertz equal to it for one frequency
     * @param duty what is played there
     */
    public record Found(double figure, double lowHertz, double highHertz, Duty duty) {
        public boolean atIdle() {
            return Double.isNaN(lowHertz);
        }
    }

    private final Instrument band;
    private final ModelTrust.Bands bands;
    private final Duty duty;
    private final boolean octave;
    private final Map<At, Solved> solved = new EnumMap<>(At.class);

    /**
     * @param bands of the model at these volts
     * @param duty what is played, for which it is solved
     */
    public FrequencyFigures(Instrument band, ModelTrust.Bands bands, Duty duty) {
        this(band, bands, duty, false);
    }

    private FrequencyFigures(Instrument band, ModelTrust.Bands bands, Duty duty, boolean octave) {
        this.band = band;
        this.bands = bands;
        this.duty = duty;
        this.octave = octave;
    }

    /**
     * The same, solved at a mains.
     *
     * @param share of nominal
     * @param others into the same speakers by the other inductances that the primary may have
     */
    public FrequencyFigures with(At at, double share, HeatOverFrequency heat, List<HeatOverFrequency> others) {
        solved.put(at, new Solved(share, heat, others));
        return this;
    }

    /** The same while this is played. */
    FrequencyFigures playing(Duty other) {
        return copy(other, octave);
    }

    /** The same of the worst octave instead of the whole band. */
    FrequencyFigures worstOctave() {
        return copy(duty, true);
    }

    private FrequencyFigures copy(Duty other, boolean ofOctave) {
        FrequencyFigures figures = new FrequencyFigures(band, bands, other, ofOctave);
        figures.solved.putAll(solved);
        return figures;
    }

    @Override
    public Set<At> at() {
        return new TreeSet<>(solved.keySet());
    }

    @Override
    public double mains(At at) {
        return solved.get(at).mains();
    }

    @Override
    public Optional<Value> of(PublishedLimit limit, At at) {
        return found(limit, at).map(found -> value(limit, at, found));
    }

    private Value value(PublishedLimit limit, At at, Found found) {
        Value value = Value.computed(
                found.figure(),
                limit == DriveLimit.PEAK_PLATE_VOLTS
                        ? ModelTrust.PEAK_BAND
                        : limit == Limit.PLATE_WATTS ? bands.plate() : bands.screen());
        double spread = solved.get(at).others().stream()
                .flatMap(heat -> found(limit, heat).stream())
                .mapToDouble(f -> Math.abs(f.figure() / found.figure() - 1))
                .max()
                .orElse(0);
        return spread > 0 ? value.and(INDUCTANCE, spread) : value;
    }

    /** Where a figure is highest; empty for what does not hang on the frequency, and where the band holds no point. */
    public Optional<Found> found(PublishedLimit limit, At at) {
        return found(limit, solved.get(at).heat());
    }

    private Optional<Found> found(PublishedLimit limit, HeatOverFrequency heat) {
        if (limit == DriveLimit.PEAK_PLATE_VOLTS) {
            return heat.points().stream()
                    .max(Comparator.comparingDouble(p -> p.full().plateMost()))
                    .map(p -> new Found(p.full().plateMost(), p.hertz(), p.hertz(), Duty.TONE));
        }
        if (limit == Limit.PLATE_WATTS) {
            return hottest(heat, Heat::plateWatts);
        }
        return limit == DriveLimit.SCREEN_WATTS
                ? hottest(heat, Heat::screenWatts).filter(f -> f.figure() > 0)
                : Optional.empty();
    }

    private Optional<Found> hottest(HeatOverFrequency heat, ToDoubleFunction<Heat> figure) {
        List<Found> driven = (duty == Duty.TONE ? tones(heat, figure) : played(heat, figure)).toList();
        Found idle = new Found(figure.applyAsDouble(heat.idle()), Double.NaN, Double.NaN, duty);
        return driven.isEmpty()
                ? Optional.empty()
                : Stream.concat(Stream.of(idle), driven.stream()).max(Comparator.comparingDouble(Found::figure));
    }

    private Stream<Found> tones(HeatOverFrequency heat, ToDoubleFunction<Heat> figure) {
        return heat.points().stream()
                .filter(p -> p.hertz() >= band.lowHertz() && p.hertz() <= band.highHertz())
                .map(p -> new Found(figure.applyAsDouble(p.heat().get(Duty.TONE)), p.hertz(), p.hertz(), Duty.TONE));
    }

    private Stream<Found> played(HeatOverFrequency heat, ToDoubleFunction<Heat> figure) {
        return duty.included().stream()
                .flatMap(d -> octave
                        ? heat.points().stream()
                                .filter(p -> p.hertz() >= band.lowHertz() && 2 * p.hertz() <= band.highHertz())
                                .flatMap(p -> mean(heat, d, p.hertz(), 2 * p.hertz(), figure))
                        : mean(heat, d, band.lowHertz(), band.highHertz(), figure));
    }

    private static Stream<Found> mean(
            HeatOverFrequency heat, Duty duty, double low, double high, ToDoubleFunction<Heat> figure) {
        return heat.mean(duty, low, high).stream().map(h -> new Found(figure.applyAsDouble(h), low, high, duty));
    }

    /** Frequencies that could not be solved. */
    public int unsolved() {
        return solved.values().stream()
                .flatMap(s -> Stream.concat(Stream.of(s.heat()), s.others().stream()))
                .mapToInt(HeatOverFrequency::unsolved)
                .max()
                .orElse(0);
    }
}
