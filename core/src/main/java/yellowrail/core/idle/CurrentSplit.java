package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.Seen;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeType;

/**
 * Splits the current that was seen into plate and screen current.
 *
 * <p>With q = Ig2/Ik: from cathode current {@code Ip = Ik·(1 − q)}; from a tapped half primary {@code Ip = I/(1 + τ·g)}
 * with {@code g = q/(1 − q)}. The error of q enters as dq/(1 − q).
 *
 * @param cathode cathode current, A; empty when the screen current is not known beside a plate reading
 * @param plate plate current, A
 * @param screen screen current, A; empty when not known
 */
record CurrentSplit(Optional<Estimate> cathode, Estimate plate, Optional<Estimate> screen) {
    /** How much plate watts may be overstated when nothing is known of the screen: the largest usual share. */
    private static final double SHARE_EFFECT = 0.14;

    static Optional<CurrentSplit> of(IdleQuestion question, Seen.Current seen, Findings findings) {
        if (question.screen() instanceof ScreenCurrent.Measured measured) {
            return measured(question, seen, measured, findings);
        }
        Optional<ScreenShare> share = question.screen() instanceof ScreenCurrent.TypeShare
                ? question.stage().type().flatMap(TubeType::screenShare)
                : Optional.empty();
        if (share.isEmpty()) {
            boolean typeKnown = question.stage().type().isPresent();
            if (typeKnown && question.screen() instanceof ScreenCurrent.TypeShare) {
                findings.lacks(
                        "screen share",
                        SHARE_EFFECT,
                        "No usual screen share is known for this type: all current is"
                                + " counted as plate current, an upper bound. Measure the drop over a screen resistor.",
                        false);
            }
            return Optional.of(unsplit(seen, findings));
        }
        return Optional.of(byShare(seen, share.get(), findings));
    }

    private static CurrentSplit unsplit(Seen.Current seen, Findings findings) {
        findings.upperBound |= seen.kind() != Seen.Kind.PLATE;
        Optional<Estimate> cathode = seen.kind() == Seen.Kind.CATHODE ? Optional.of(seen.perTube()) : Optional.empty();
        findings.formula(() -> new Formula(
                "Plate current",
                seen.kind() == Seen.Kind.PLATE ? "Ip as seen" : "Ip ≤ I, screen not counted",
                seen.numbers(),
                amps(seen.perTube())));
        return new CurrentSplit(cathode, seen.perTube(), Optional.empty());
    }

    private static CurrentSplit byShare(Seen.Current seen, ScreenShare share, Findings findings) {
        double q = share.share();
        double band = share.band();
        Estimate perTube = seen.perTube();
        Estimate plate = switch (seen.kind()) {
            case CATHODE ->
                new Estimate(perTube.value() * (1 - q), perTube.errors().and("screen share", band / (1 - q)));
            case PLATE -> perTube;
            case PLATE_AND_TAPPED_SCREEN -> {
                double factor = 1 + seen.tap() * q / (1 - q);
                double error = seen.tap() * band / ((1 - q) * (1 - q)) / factor;
                yield new Estimate(perTube.value() / factor, perTube.errors().and("screen share", error));
            }
        };
        Estimate cathode = seen.kind() == Seen.Kind.CATHODE
                ? perTube
                : new Estimate(plate.value() / (1 - q), plate.errors().and("screen share", band / (1 - q)));
        Estimate screen = new Estimate(cathode.value() * q, cathode.errors().and("screen share", band / q));
        findings.formula(() -> new Formula(
                "Plate current",
                switch (seen.kind()) {
                    case CATHODE -> "Ip = Ik · (1 − q), q = screen share of cathode current";
                    case PLATE -> "Ip as seen; a plate reading has no screen current in it";
                    case PLATE_AND_TAPPED_SCREEN -> "Ip = I / (1 + τ · q / (1 − q))";
                },
                seen.kind() == Seen.Kind.PLATE ? amps(perTube) : amps(perTube) + ", q = " + percent(share),
                amps(plate)));
        return new CurrentSplit(Optional.of(cathode), plate, Optional.of(screen));
    }

    private static Optional<CurrentSplit> measured(
            IdleQuestion question, Seen.Current seen, ScreenCurrent.Measured measured, Findings findings) {
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
                                .and(errors.times(carried * amperes / value)));
        Estimate cathode = seen.kind() == Seen.Kind.CATHODE
                ? seen.perTube()
                : new Estimate(
                        plate.value() + amperes,
                        plate.errors().and(errors.times(amperes / Math.max(plate.value(), 1e-9))));
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

    private static String percent(ScreenShare share) {
        return Show.significant(100 * share.share(), 3) + " ± " + Show.significant(100 * share.band(), 2) + " %";
    }

    private static String amps(Estimate estimate) {
        return Show.si(estimate.value(), Unit.AMPERE);
    }
}
