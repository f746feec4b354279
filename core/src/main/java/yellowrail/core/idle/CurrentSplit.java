package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;

/**
 * Splits the current that was seen into plate and screen current.
 *
 * <p>With q = Ig2/Ik: from cathode current {@code Ip = Ik·(1 − q)}; from a tapped half primary {@code Ip = I/(1 + τ·g)}
 * with {@code g = q/(1 − q)}. The error of q enters as dq/(1 − q).
 *
 * @param cathode cathode current, A; empty when the screen current is not known beside a plate reading
 * @param plate plate current, A
 * @param screen screen current at its high end, A; empty when not known
 * @param beside the screen current that goes with the plate current in one reading, A
 */
record CurrentSplit(Optional<Estimate> cathode, Estimate plate, Optional<Estimate> screen, double beside) {
    CurrentSplit(Optional<Estimate> cathode, Estimate plate, Optional<Estimate> screen) {
        this(cathode, plate, screen, screen.map(Estimate::value).orElse(0.0));
    }

    /** Both currents at another plate current, A: what the screens draw goes with it. */
    TubeCurrents at(double plateAmperes) {
        return new TubeCurrents(plateAmperes, plate.value() > 0 ? beside * plateAmperes / plate.value() : 0);
    }

    private static final String SHARE = "screen share";

    static Optional<CurrentSplit> of(IdleQuestion question, SensedCurrent.Current seen, Findings findings) {
        Optional<TubeType> type = question.stage().type();
        if (type.filter(t -> !t.hasScreen()).isPresent()) {
            return Optional.of(new CurrentSplit(Optional.of(seen.perTube()), seen.perTube(), Optional.empty()));
        }
        if (question.screen() instanceof ScreenCurrent.Measured measured) {
            return measured(question, seen, measured, findings);
        }
        if (question.screen() instanceof ScreenCurrent.NotCounted || type.isEmpty()) {
            return Optional.of(unsplit(seen, findings));
        }
        Optional<ScreenShare> share = type.get().screenShare();
        return Optional.of(
                share.isPresent()
                        ? byShare(seen, share.get(), findings)
                        : byKind(seen, type.get().kind(), findings));
    }

    /** Nothing published for the type: plate watts with the least share of its kind, screen watts with the largest. */
    private static CurrentSplit byKind(SensedCurrent.Current seen, TubeKind kind, Findings findings) {
        CurrentSplit least = kind.leastShare() == 0
                ? new CurrentSplit(Optional.of(seen.perTube()), seen.perTube(), Optional.empty())
                : byShare(seen, new ScreenShare(kind.leastShare(), 0), findings);
        CurrentSplit most = byShare(seen, new ScreenShare(kind.mostShare(), 0), new Findings());
        findings.notes.add("No usual screen share is published for this type. Plate watts are judged with "
                + Show.plain(100 * kind.leastShare(), 2) + " % of the cathode current in the screen, screen watts with "
                + Show.plain(100 * kind.mostShare(), 2) + " % (" + kind.words()
                + "). The drop over a screen resistor would tell it.");
        Optional<Estimate> cathode =
                seen.kind() == SensedCurrent.Kind.CATHODE ? Optional.of(seen.perTube()) : most.cathode;
        return new CurrentSplit(cathode, least.plate, most.screen, least.beside);
    }

    private static CurrentSplit unsplit(SensedCurrent.Current seen, Findings findings) {
        findings.upperBound |= seen.kind() != SensedCurrent.Kind.PLATE;
        Optional<Estimate> cathode =
                seen.kind() == SensedCurrent.Kind.CATHODE ? Optional.of(seen.perTube()) : Optional.empty();
        findings.formula(() -> new Formula(
                "Plate current",
                seen.kind() == SensedCurrent.Kind.PLATE ? "Ip as seen" : "Ip ≤ I, screen not counted",
                seen.numbers(),
                amps(seen.perTube())));
        return new CurrentSplit(cathode, seen.perTube(), Optional.empty());
    }

    private static CurrentSplit byShare(SensedCurrent.Current seen, ScreenShare share, Findings findings) {
        double q = share.share();
        double band = share.band();
        Estimate perTube = seen.perTube();
        Estimate plate = switch (seen.kind()) {
            case CATHODE ->
                new Estimate(perTube.value() * (1 - q), perTube.errors().and(SHARE, -band / (1 - q)));
            case PLATE -> perTube;
            case PLATE_AND_TAPPED_SCREEN -> {
                double factor = 1 + seen.tap() * q / (1 - q);
                double error = seen.tap() * band / ((1 - q) * (1 - q)) / factor;
                yield new Estimate(perTube.value() / factor, perTube.errors().and(SHARE, -error));
            }
        };
        Estimate cathode = seen.kind() == SensedCurrent.Kind.CATHODE
                ? perTube
                : new Estimate(plate.value() / (1 - q), plate.errors().and(SHARE, band / (1 - q)));
        Estimate screen = new Estimate(cathode.value() * q, cathode.errors().and(SHARE, band / q));
        findings.formula(() -> new Formula(
                "Plate current",
                switch (seen.kind()) {
                    case CATHODE -> "Ip = Ik · (1 − q), q = screen share of cathode current";
                    case PLATE -> "Ip as seen; a plate reading has no screen current in it";
                    case PLATE_AND_TAPPED_SCREEN -> "Ip = I / (1 + τ · q / (1 − q))";
                },
                seen.kind() == SensedCurrent.Kind.PLATE ? amps(perTube) : amps(perTube) + ", q = " + percent(share),
                amps(plate)));
        return new CurrentSplit(Optional.of(cathode), plate, Optional.of(screen));
    }

    private static Optional<CurrentSplit> measured(
            IdleQuestion question, SensedCurrent.Current seen, ScreenCurrent.Measured measured, Findings findings) {
        double ohms = measured.resistor().ohms();
        double amperes = measured.drop().value() / ohms / measured.tubes();
        ErrorBudget errors =
                ErrorBudget.exact().and("screen resistor", measured.resistor().relativeLimit(question.meter()));
        if (measured.drop().value() != 0) {
            errors = errors.and(
                    "meter on the screen drop",
                    question.meter().limit(measured.drop())
                            / Math.abs(measured.drop().value()));
        }
        Estimate screen = new Estimate(amperes, errors);
        double carried = switch (seen.kind()) {
            case CATHODE -> 1;
            case PLATE -> 0;
            case PLATE_AND_TAPPED_SCREEN -> seen.tap();
        };
        double value = seen.perTube().value() - carried * amperes;
        if (!(value > 0) && seen.perTube().value() > 0) {
            findings.needs(
                    "a screen reading that fits",
                    "The measured screen current of " + Show.si(amperes, Unit.AMPERE) + " is not below the "
                            + amps(seen.perTube()) + " seen: one of the two readings is wrong.");
            return Optional.empty();
        }
        Estimate plate = value == 0
                ? seen.perTube()
                : new Estimate(
                        value,
                        seen.perTube()
                                .errors()
                                .times(seen.perTube().value() / value)
                                .and(errors.times(-carried * amperes / value)));
        Estimate cathode = seen.kind() == SensedCurrent.Kind.CATHODE ? seen.perTube() : plate.plus(screen);
        findings.formula(() -> new Formula(
                "Screen current",
                "Ig2 = V(Rg2) / Rg2" + (measured.tubes() > 1 ? " / N" : ""),
                measured.drop().echo() + " / " + Show.si(ohms, Unit.OHM)
                        + (measured.tubes() > 1 ? " / " + measured.tubes() : ""),
                amps(screen)));
        findings.formula(() -> new Formula(
                "Plate current",
                carried == 0 ? "Ip as seen" : carried == 1 ? "Ip = Ik − Ig2" : "Ip = I − τ · Ig2",
                amps(seen.perTube()) + (carried == 0 ? "" : " − " + Show.si(carried * amperes, Unit.AMPERE, 3)),
                amps(plate)));
        return Optional.of(new CurrentSplit(Optional.of(cathode), plate, Optional.of(screen)));
    }

    /** Whether the screen's part of the cathode current is one that a tube of this kind can have at idle. */
    static boolean credible(IdleQuestion question, CurrentSplit split) {
        boolean measured = question.screen() instanceof ScreenCurrent.Measured;
        double cathode = split.cathode().map(Estimate::value).orElse(0.0);
        double screen = split.screen().map(Estimate::value).orElse(0.0);
        TubeKind kind = question.stage().type().map(TubeType::kind).orElse(TubeKind.UNKNOWN);
        return !measured || !(cathode > 0) || kind.credible(screen / cathode);
    }

    private static String percent(ScreenShare share) {
        return Show.significant(100 * share.share(), 3) + " ± " + Show.significant(100 * share.band(), 2) + " %";
    }

    private static String amps(Estimate estimate) {
        return Show.si(estimate.value(), Unit.AMPERE);
    }
}
