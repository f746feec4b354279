package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.Connection;

/**
 * What AC readings tell of an output transformer: volts on two windings are as their turns, and the load on one is seen
 * from the other as the square of that.
 *
 * <p>A reading whose drive was not safe by what was known before it is not counted. Readings of one tap that do not agree
 * within their errors tell nothing until they are repeated. Figures of copper and leakage are not in the ratio.
 *
 * @param taps the taps whose ratio is told, as first read
 * @param screenTap screen tap, share of its half of the primary, the mean of those read; empty while not read
 * @param remarks gravest first: what does not fit, and what would make it more exact
 */
public record MeasuredTransformer(List<TapRatio> taps, Optional<Estimate> screenTap, List<Remark> remarks) {
    /**
     * What two readings of one ratio may differ by beside their errors, share of the turns: magnetising current and the
     * meter's own load; twice this in ohms.
     */
    public static final double AGREE = 0.01;

    /** Above this the last digit costs more than it must, share; in ohms it counts twice. */
    private static final double COARSE = 0.005;

    /** A tap's marking is rounded: within this of the turns it is as marked. */
    private static final double MARKED = 0.07;

    public MeasuredTransformer {
        taps = List.copyOf(taps);
        remarks = List.copyOf(remarks);
    }

    /** @param readings in the order they were taken */
    public static MeasuredTransformer of(List<AcReading> readings) {
        return new Making(readings).made();
    }

    public Optional<TapRatio> tap(double ohms) {
        return taps.stream().filter(t -> t.tap().ohms() == ohms).findFirst();
    }

    /** Turns of any tap: as measured, or by the marking from one that was measured. */
    public Optional<Estimate> turnsOf(Lead tap) {
        return tap(tap.ohms())
                .map(TapRatio::turns)
                .or(() -> taps.stream().findFirst().map(t -> t.turnsOf(tap)));
    }

    /** Whether nothing contradicts: otherwise what is told here is not to be built on. */
    public boolean agrees() {
        return remarks.stream().noneMatch(r -> r.code().weight() == Remark.Weight.CONTRADICTION);
    }

    /** What is safe to put on these leads, by what the readings tell so far. */
    public SafeDrive drive(Lead driven, double volts) {
        return drive(driven, volts, taps);
    }

    /** On the low side only what was measured of that very tap counts: its marking may be another's. */
    private static SafeDrive drive(Lead driven, double volts, List<TapRatio> known) {
        Optional<Estimate> turns = known.stream()
                .filter(t -> !driven.secondary() || t.tap().equals(driven))
                .findFirst()
                .map(TapRatio::turns);
        return SafeDrive.of(driven, volts, turns);
    }

    /** Puts the readings together, one after the other. */
    private static final class Making {
        private final List<AcReading> readings;
        private final List<Remark> remarks = new ArrayList<>();
        private final Map<Lead, List<AcReading>> ofTap = new LinkedHashMap<>();
        private final List<AcReading> within = new ArrayList<>();

        Making(List<AcReading> readings) {
            this.readings = readings;
        }

        MeasuredTransformer made() {
            for (AcReading reading : readings) {
                SafeDrive drive = drive(reading.driven(), reading.drive().value(), ratios());
                if (drive.refusal().isPresent()) {
                    remarks.add(new Remark(
                            Remark.Code.UNSAFE_DRIVE,
                            reading.driven().id(),
                            "This reading does not count: " + drive.refusal().get()));
                } else if (reading.volts().value() > SafeDrive.ANY_LEADS) {
                    remarks.add(new Remark(
                            Remark.Code.UNSAFE_DRIVE,
                            reading.other().id(),
                            "This reading does not count: " + reading.volts().echo() + " AC stood on the "
                                    + reading.other().words() + ". " + SafeDrive.MOST
                                    + ": take the source off, and repeat it with less."));
                } else {
                    file(reading);
                    coarse(reading);
                }
            }
            List<TapRatio> taps = ratios();
            Optional<Estimate> screens = screenTap();
            disagreements();
            halves();
            markings(taps);
            taps.stream().filter(t -> !t.bothSides()).findFirst().ifPresent(this::oneSide);
            remarks.sort(Comparator.comparing(r -> r.code().weight()));
            return new MeasuredTransformer(taps, screens, remarks);
        }

        private void file(AcReading reading) {
            Lead one = reading.driven();
            Lead two = reading.other();
            if (one.secondary() && whole(two)) {
                ofTap.computeIfAbsent(one, tap -> new ArrayList<>()).add(reading);
            } else if (two.secondary() && whole(one)) {
                ofTap.computeIfAbsent(two, tap -> new ArrayList<>()).add(reading);
            } else {
                within.add(reading);
            }
        }

        private static boolean whole(Lead lead) {
            return lead.shareOfPrimary().isPresent();
        }

        private static Lead ofPrimary(AcReading reading) {
            return reading.driven().secondary() ? reading.other() : reading.driven();
        }

        /** Whole primary over the tap by one reading. */
        private static Estimate turns(AcReading reading, Lead tap) {
            Lead side = ofPrimary(reading);
            return reading.over(side, tap).times(1 / side.shareOfPrimary().orElseThrow());
        }

        /** The taps whose readings agree. */
        private List<TapRatio> ratios() {
            List<TapRatio> ratios = new ArrayList<>();
            ofTap.forEach((tap, of) -> {
                if (furthestApart(tap, of).isEmpty()) {
                    ratios.add(ratio(tap, of));
                }
            });
            return ratios;
        }

        /** Losses make either side driven read low on the other: the mean of both ways stands between. */
        private static TapRatio ratio(Lead tap, List<AcReading> of) {
            List<Estimate> low = new ArrayList<>();
            List<Estimate> high = new ArrayList<>();
            for (AcReading reading : of) {
                (reading.driven().secondary() ? low : high).add(turns(reading, tap));
            }
            boolean both = !low.isEmpty() && !high.isEmpty();
            Estimate turns = both ? mean(low).plus(mean(high)).times(0.5) : mean(low.isEmpty() ? high : low);
            return new TapRatio(tap, turns, both, of);
        }

        private static Estimate mean(List<Estimate> all) {
            Estimate sum = all.get(0);
            for (Estimate one : all.subList(1, all.size())) {
                sum = sum.plus(one);
            }
            return sum.times(1.0 / all.size());
        }

        private record Apart(AcReading one, AcReading other, double share, double allowed) {}

        private static Optional<Apart> furthestApart(Lead tap, List<AcReading> of) {
            Optional<Apart> most = Optional.empty();
            for (int i = 0; i < of.size(); i++) {
                for (int j = i + 1; j < of.size(); j++) {
                    Estimate one = turns(of.get(i), tap);
                    Estimate two = turns(of.get(j), tap);
                    double share = Math.abs(two.value() / one.value() - 1);
                    double allowed = AGREE
                            + Math.hypot(one.errors().likely(), two.errors().likely());
                    if (share > allowed && share > most.map(Apart::share).orElse(0.0)) {
                        most = Optional.of(new Apart(of.get(i), of.get(j), share, allowed));
                    }
                }
            }
            return most;
        }

        private void disagreements() {
            ofTap.forEach((tap, of) -> furthestApart(tap, of).ifPresent(apart -> {
                boolean halves = !ofPrimary(apart.one()).equals(ofPrimary(apart.other()));
                remarks.add(new Remark(
                        halves ? Remark.Code.UNLIKE_HALVES : Remark.Code.SIDES_DISAGREE,
                        tap.id(),
                        "The " + tap.words() + " reads 1 : " + ratioOf(apart.one(), tap) + " by the "
                                + ofPrimary(apart.one()).words() + " with the "
                                + apart.one().driven().words() + " driven, and 1 : " + ratioOf(apart.other(), tap)
                                + " by the " + ofPrimary(apart.other()).words() + " with the "
                                + apart.other().driven().words() + " driven: "
                                + percent(2 * apart.share()) + " apart in ohms, more than the "
                                + percent(2 * apart.allowed()) + " that the meter and losses explain. Nothing follows"
                                + " from them. Read both again: is anything still connected, are these the leads, is"
                                + " the level too low"
                                + (halves ? ", is the centre tap the centre" : "") + "?"));
            }));
        }

        private static String ratioOf(AcReading reading, Lead tap) {
            return Show.significant(turns(reading, tap).value(), 4);
        }

        /** A half is half the volts, and a quarter of the ohms. */
        private void halves() {
            for (AcReading reading : within) {
                Lead one = reading.driven();
                Lead two = reading.other();
                if (!whole(one) || !whole(two)) {
                    continue;
                }
                double wanted = one.shareOfPrimary().orElseThrow()
                        / two.shareOfPrimary().orElseThrow();
                Estimate read = reading.over(one, two);
                double off = Math.abs(read.value() / wanted - 1);
                double allowed = AGREE + read.errors().likely();
                if (off > allowed) {
                    remarks.add(new Remark(
                            Remark.Code.UNLIKE_HALVES,
                            two.id(),
                            capital(one.words()) + " to " + two.words() + " should be as "
                                    + Show.plain(wanted, 2) + " : 1 in volts and is as "
                                    + Show.significant(read.value(), 3) + " : 1, " + percent(off)
                                    + " off where " + percent(allowed)
                                    + " would be explained: one half has other turns, or"
                                    + " these leads are not the ends and the centre tap. Do not use it before that is"
                                    + " settled."));
                }
            }
        }

        private Optional<Estimate> screenTap() {
            List<Estimate> shares = new ArrayList<>();
            for (AcReading reading : within) {
                Lead screen = reading.driven().screenTap() ? reading.driven() : reading.other();
                Lead side = screen.equals(reading.driven()) ? reading.other() : reading.driven();
                if (screen.screenTap() && whole(side)) {
                    Estimate share = reading.over(screen, side)
                            .times(2 * side.shareOfPrimary().orElseThrow());
                    shares.stream()
                            .filter(known -> apart(known, share))
                            .findFirst()
                            .ifPresent(known -> unlikeTaps(screen, known, share));
                    shares.add(share);
                }
            }
            Optional<Estimate> mean = shares.isEmpty() ? Optional.empty() : Optional.of(mean(shares));
            mean.filter(share -> share.high() < Connection.LEAST_TAP || share.low() > Connection.MOST_TAP)
                    .ifPresent(share -> remarks.add(new Remark(
                            Remark.Code.UNLIKE_HALVES,
                            "screen-a",
                            "The screen taps read " + percent(share.value())
                                    + " of their half. Screen taps lie between "
                                    + percent(Connection.LEAST_TAP) + " and " + percent(Connection.MOST_TAP)
                                    + ": are these the leads, and is the centre tap the centre?")));
            return mean;
        }

        private static boolean apart(Estimate one, Estimate two) {
            return Math.abs(two.value() / one.value() - 1)
                    > AGREE + Math.hypot(one.errors().likely(), two.errors().likely());
        }

        private void unlikeTaps(Lead screen, Estimate one, Estimate two) {
            remarks.add(new Remark(
                    Remark.Code.UNLIKE_HALVES,
                    screen.id(),
                    "The screen taps read " + percent(one.value()) + " and " + percent(two.value())
                            + " of their half: more apart than the meter and losses explain. Both sides are tapped alike:"
                            + " are these the leads, and is the centre tap the centre?"));
        }

        /** Two taps against one another: their turns go with the roots of what they are marked for. */
        private void markings(List<TapRatio> taps) {
            for (int i = 1; i < taps.size(); i++) {
                TapRatio first = taps.get(0);
                TapRatio next = taps.get(i);
                double off = next.turns().value() / first.turnsOf(next.tap()).value() - 1;
                double allowed = MARKED
                        + first.turns().errors().likely()
                        + next.turns().errors().likely();
                if (Math.abs(off) > allowed) {
                    remarks.add(new Remark(
                            Remark.Code.TAPS_NOT_AS_MARKED,
                            next.tap().id(),
                            "The " + first.tap().words() + " shows "
                                    + kilohms(first.primaryOhms().value())
                                    + " at the primary with its load, the "
                                    + next.tap().words() + " "
                                    + kilohms(next.primaryOhms().value())
                                    + ": they are not both what they are marked for. The map below computes each tap by its"
                                    + " own measured ratio."));
                }
            }
        }

        private void coarse(AcReading reading) {
            double ofDrive = reading.fromDigits(reading.drive());
            double ofOther = reading.fromDigits(reading.volts());
            if (Math.max(ofDrive, ofOther) > COARSE) {
                boolean drive = ofDrive > ofOther;
                Lead lead = drive ? reading.driven() : reading.other();
                Typed read = drive ? reading.drive() : reading.volts();
                double all = reading.exactness(read);
                remarks.add(
                        new Remark(
                                Remark.Code.COARSE_READING,
                                lead.id(),
                                read.echo() + " on the " + lead.words() + " is told to ±" + percent(all)
                                        + " by this meter, mostly for its last digit, and the ohms to ±"
                                        + percent(2 * all)
                                        + " from that alone: type every digit, use a lower range, or drive the primary with more."));
            }
            if (reading.meter().acVolts().isEmpty()
                    && remarks.stream().noneMatch(r -> r.code() == Remark.Code.METER_NOT_KNOWN)) {
                remarks.add(new Remark(
                        Remark.Code.METER_NOT_KNOWN,
                        "meter",
                        "How exact “" + reading.meter().name() + "” is on AC volts is not known: the coarsest class, "
                                + Meter.BASIC.acVolts().orElseThrow().words()
                                + ", is taken. Enter it with your meters."));
            }
        }

        private void oneSide(TapRatio ratio) {
            remarks.add(new Remark(
                    Remark.Code.ONE_SIDE_ONLY,
                    ratio.tap().id(),
                    "Read with one winding driven only. Drive the other winding and read once more: losses, loading and a"
                            + " wrong lead show as a difference."));
        }
    }

    private static String percent(double share) {
        return Show.plain(100 * share, 2) + " %";
    }

    private static String kilohms(double ohms) {
        return Show.significant(ohms / 1000, 3) + " kΩ";
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
