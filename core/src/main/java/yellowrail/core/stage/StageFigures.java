package yellowrail.core.stage;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Figures;
import yellowrail.core.judging.Known;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/**
 * The figures of a computed stage for the judge: of its idle, and the highest over its drive, at each mains it was solved
 * for, with the model's band. DC volts follow from the supply and have a band of their own, a plate's peak likewise.
 */
public final class StageFigures {
    /** What is judged at idle. */
    public static final List<PublishedLimit> AT_IDLE = List.of(Limit.values());

    /** What is judged over the drive. */
    public static final List<PublishedLimit> OVER_THE_DRIVE = List.of(
            Limit.PLATE_WATTS,
            DriveLimit.SCREEN_WATTS,
            Limit.COMBINED_WATTS,
            Limit.PLATE_VOLTS,
            Limit.CATHODE_AMPERES,
            DriveLimit.PEAK_PLATE_VOLTS);

    private final Map<At, Double> mains = new EnumMap<>(At.class);
    private final Map<At, Cycle> idles = new EnumMap<>(At.class);
    private final Map<At, DriveSweep> drives = new EnumMap<>(At.class);
    private final ModelTrust.Bands bands;
    private final Duty duty;
    private Known known = new Known(Map.of());

    /** @param bands of the model at these volts */
    public StageFigures(ModelTrust.Bands bands) {
        this(bands, Duty.NOT_SAID);
    }

    private StageFigures(ModelTrust.Bands bands, Duty duty) {
        this.bands = bands;
        this.duty = duty;
    }

    /** The same while this is played. */
    StageFigures playing(Duty other) {
        StageFigures figures = new StageFigures(bands, other);
        figures.mains.putAll(mains);
        figures.idles.putAll(idles);
        figures.drives.putAll(drives);
        figures.known = known;
        return figures;
    }

    /** The same with the stage solved at a mains, share of nominal. */
    public StageFigures with(At at, double share, DriveSweep drive) {
        drives.put(at, drive);
        return with(at, share, drive.idle());
    }

    /** The same with its idle alone solved at a mains, share of nominal. */
    public StageFigures with(At at, double share, Cycle idle) {
        mains.put(at, share);
        idles.put(at, idle);
        return this;
    }

    /**
     * The same where the idle was read: what was read goes before what is computed of it.
     *
     * @param outcomes everything the stage can turn out to be
     * @param read one for each of them; another number says nothing of this stage
     */
    public static List<StageFigures> read(List<StageFigures> outcomes, List<Known> read) {
        for (int i = 0; read.size() == outcomes.size() && i < outcomes.size(); i++) {
            outcomes.get(i).known = read.get(i);
        }
        return outcomes;
    }

    /** The mains it is solved for, in order. */
    public Set<At> at() {
        return new TreeSet<>(idles.keySet());
    }

    /** That mains, share of nominal. */
    public double mains(At at) {
        return mains.get(at);
    }

    /** What is judged then. */
    public static List<PublishedLimit> limits(When when) {
        return when == When.IDLE ? AT_IDLE : OVER_THE_DRIVE;
    }

    public Figures figures(When when) {
        return new Figures() {
            @Override
            public Set<At> at() {
                return when == When.IDLE ? idles.keySet() : drives.keySet();
            }

            @Override
            public double mains(At at) {
                return mains.get(at);
            }

            @Override
            public Optional<Value> of(PublishedLimit limit, At at) {
                return when == When.IDLE
                        ? Optional.ofNullable(idles.get(at))
                                .flatMap(c -> known.of(limit, at).or(() -> atIdle(limit, c)))
                        : Optional.ofNullable(drives.get(at)).flatMap(d -> overTheDrive(limit, d, at));
            }
        };
    }

    private Optional<Value> atIdle(PublishedLimit limit, Cycle idle) {
        if (!(limit instanceof Limit dc)) {
            return Optional.empty();
        }
        return Optional.of(
                switch (dc) {
                    case PLATE_WATTS -> Value.computed(idle.hottestPlateWatts(), bands.plate());
                    case SCREEN_WATTS -> Value.computed(idle.hottestScreenWatts(), bands.screen());
                    case COMBINED_WATTS -> combined(Stream.of(idle));
                    case PLATE_VOLTS -> Value.computed(idle.plateToCathodeVolts(), ModelTrust.VOLTS_BAND);
                    case SCREEN_VOLTS -> Value.computed(idle.screenToCathodeVolts(), ModelTrust.VOLTS_BAND);
                    case CATHODE_AMPERES -> Value.computed(idle.cathodeAmperes(), bands.plate());
                });
    }

    private Optional<Value> overTheDrive(PublishedLimit limit, DriveSweep drive, At at) {
        if (limit == DriveLimit.SCREEN_WATTS) {
            return Optional.of(orAtRest(
                    Value.computed(drive.hottestScreen(duty).hottestScreenWatts(), bands.screen()),
                    Limit.SCREEN_WATTS,
                    at));
        }
        if (limit == DriveLimit.PEAK_PLATE_VOLTS) {
            return Optional.of(Value.computed(drive.plateMost(), ModelTrust.PEAK_BAND));
        }
        return switch ((Limit) limit) {
            case PLATE_WATTS ->
                Optional.of(orAtRest(
                        Value.computed(drive.hottestPlate(duty).hottestPlateWatts(), bands.plate()),
                        Limit.PLATE_WATTS,
                        at));
            case COMBINED_WATTS -> Optional.of(orAtRest(combined(drive.over(duty).stream()), Limit.COMBINED_WATTS, at));
            case PLATE_VOLTS -> Optional.of(Value.computed(drive.full().plateToCathodeVolts(), ModelTrust.VOLTS_BAND));
            case CATHODE_AMPERES ->
                Optional.of(
                        orAtRest(Value.computed(drive.cathodeAmperes(duty), bands.plate()), Limit.CATHODE_AMPERES, at));
            case SCREEN_WATTS, SCREEN_VOLTS -> Optional.empty();
        };
    }

    /**
     * What is played is never cooler than what was read at rest. Carried to another mains a reading has a wide band, which
     * must not stand before a computed figure that is over: at rest it is judged by itself.
     */
    private Value orAtRest(Value played, Limit limit, At at) {
        return known.of(limit, at)
                .filter(read -> read.from() == Value.From.MEASURED
                        && read.figure().value() > played.figure().value()
                        && read.figure().high() > played.figure().high())
                .orElse(played);
    }

    /** Plate and screen of the tube in which the two together are hottest: both follow from one model. */
    private Value combined(Stream<Cycle> cycles) {
        Cycle.TubeCycle most = cycles.flatMap(c -> c.tubes().stream())
                .max(Comparator.comparingDouble(t -> t.plateWatts() + t.screenWatts()))
                .orElseThrow();
        double sum = most.plateWatts() + most.screenWatts();
        return Value.computed(
                sum,
                sum > 0
                        ? (bands.plate() * most.plateWatts() + bands.screen() * most.screenWatts()) / sum
                        : bands.plate());
    }

    /** How a figure is worked out, with this stage's numbers. */
    public String formula(PublishedLimit limit, When when, At at) {
        Cycle idle = idles.get(at);
        if (when == When.IDLE && known.of(limit, at).isPresent()) {
            return "as read in this amp at idle, of the tube furthest towards its limit, carried to "
                    + Show.fixed(100 * mains.get(at), 0) + " % mains";
        }
        if (limit == Limit.PLATE_VOLTS && when == When.IDLE) {
            return "B+ " + volts(idle.supplyVolts()) + " − drop across half of the primary winding − cathode "
                    + volts(idle.leastCathodeVolts());
        }
        if (limit == Limit.SCREEN_VOLTS) {
            return average("screens", idle.screenVolts(), idle);
        }
        if (limit == Limit.PLATE_VOLTS) {
            Cycle full = drives.get(at).full();
            return average("B+", full.supplyVolts(), full);
        }
        if (limit == DriveLimit.PEAK_PLATE_VOLTS) {
            return "highest over a cycle and the drive, to chassis; a speaker's inductance can raise it by a fifth";
        }
        String what = limit == Limit.CATHODE_AMPERES
                ? "Ip + Ig2"
                : limit == Limit.COMBINED_WATTS
                        ? "Vpk · Ip + Vg2k · Ig2"
                        : limit.ofScreen() ? "Vg2k · Ig2" : "Vpk · Ip";
        if (when == When.IDLE) {
            return "mean of " + what + " over a cycle, without drive";
        }
        return "mean of " + what + " over the time, of the hottest tube, highest of idle and "
                + (duty == Duty.TONE
                        ? "every level of a test tone"
                        : duty.included().stream()
                                .map(d -> "“" + d.words() + "”")
                                .collect(Collectors.joining(", ")))
                + hottest(limit, at);
    }

    private String hottest(PublishedLimit limit, At at) {
        if (limit != Limit.PLATE_WATTS && limit != DriveLimit.SCREEN_WATTS) {
            return "";
        }
        DriveSweep drive = drives.get(at);
        Cycle hottest = limit.ofScreen() ? drive.hottestScreen(duty) : drive.hottestPlate(duty);
        return ": " + drive.where(hottest);
    }

    private static String average(String what, double node, Cycle cycle) {
        return what + " " + volts(node) + " − cathode " + volts(cycle.leastCathodeVolts())
                + "; drops over windings and screen resistors left out";
    }

    private static String volts(double volts) {
        return Show.significant(volts, 4) + " V";
    }
}
