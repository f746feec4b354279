package yellowrail.core.load;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Figures;
import yellowrail.core.judging.Value;
import yellowrail.core.stage.ReactiveCycle;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/** The hottest over the frequencies of a band for the judge, at each mains it was solved for, with the model's band. */
public final class FrequencyFigures implements Figures {
    private final double low;
    private final double high;
    private final ModelTrust.Bands bands;
    private final Map<At, HeatOverFrequency> heats = new EnumMap<>(At.class);
    private final Map<At, Double> mains = new EnumMap<>(At.class);

    /**
     * @param low of the band, Hz
     * @param high of the band, Hz
     * @param bands of the model at these volts
     */
    public FrequencyFigures(double low, double high, ModelTrust.Bands bands) {
        this.low = low;
        this.high = high;
        this.bands = bands;
    }

    /** The same, solved at a mains, share of nominal. */
    public FrequencyFigures with(At at, double share, HeatOverFrequency heat) {
        heats.put(at, heat);
        mains.put(at, share);
        return this;
    }

    @Override
    public Set<At> at() {
        return new TreeSet<>(heats.keySet());
    }

    @Override
    public double mains(At at) {
        return mains.get(at);
    }

    @Override
    public Optional<Value> of(PublishedLimit limit, At at) {
        return where(limit, at)
                .map(p -> limit == DriveLimit.PEAK_PLATE_VOLTS
                        ? Value.computed(p.plateMost(), ModelTrust.PEAK_BAND)
                        : limit == Limit.PLATE_WATTS
                                ? Value.computed(p.hottestPlateWatts(), bands.plate())
                                : Value.computed(p.hottestScreenWatts(), bands.screen()));
    }

    /** Where a figure is highest; empty for what does not hang on the frequency, and where the band holds no point. */
    public Optional<ReactiveCycle> where(PublishedLimit limit, At at) {
        HeatOverFrequency heat = heats.get(at);
        if (limit == DriveLimit.PEAK_PLATE_VOLTS) {
            return heat.points().stream().reduce((a, b) -> b.plateMost() > a.plateMost() ? b : a);
        }
        if (limit == Limit.PLATE_WATTS) {
            return heat.hottestPlate(low, high);
        }
        return limit == DriveLimit.SCREEN_WATTS
                ? heat.hottestScreen(low, high).filter(p -> p.hottestScreenWatts() > 0)
                : Optional.empty();
    }

    /** Frequencies of this mains that could not be solved. */
    public int unsolved() {
        return heats.values().stream()
                .mapToInt(HeatOverFrequency::unsolved)
                .max()
                .orElse(0);
    }
}
