package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.ModelTrust;

/** The rectifier that would feed the tubes: its direct current, the capacitor behind it, its heater, and what B+ does. */
final class RectifierRow {
    private final SwapQuestion question;
    private final SolvedStage before;
    private final SolvedStage after;
    private final List<String> said = new ArrayList<>();
    private SwapVerdict verdict = SwapVerdict.PASS;

    private RectifierRow(SwapQuestion question, SolvedStage before, SolvedStage after) {
        this.question = question;
        this.before = before;
        this.after = after;
    }

    /** Empty where no rectifier is told. */
    static Optional<SwapRow> of(SwapQuestion question, SolvedStage before, SolvedStage after) {
        return question.chassis().rectification().used().map(r -> new RectifierRow(question, before, after).row(r));
    }

    private SwapRow row(Rectifier rectifier) {
        Chassis chassis = question.chassis();
        double tubes = chassis.channels() * SolvedStage.supplyAmperes(after.drive());
        Optional<Double> total = chassis.highTension().otherAmperes().map(o -> o + tubes);
        Optional<Double> most = rectifier.amperes().map(Figure::value);
        if (!rectifier.solidState()) {
            current(rectifier, tubes, total);
            capacitor(rectifier);
            inverse(rectifier);
        } else {
            add(SwapVerdict.PASS, "diodes are held by what winding and rectifier are said to give, in the row above");
        }
        chassis.rectification().then().ifPresent(this::exchanged);
        return SwapRow.of(Criterion.RECTIFIER, verdict, rectifier.designation() + ": " + String.join("; ", said) + ".")
                .figures(
                        amps(total.orElse(tubes)),
                        rectifier.solidState()
                                ? "as the diodes are rated"
                                : most.map(RectifierRow::amps).orElse("not known"),
                        total.flatMap(t -> most.map(m -> t / m)).orElse(Double.NaN))
                .mend(
                        verdict == SwapVerdict.FAIL
                                ? "Another rectifier, a smaller first capacitor, or less current."
                                : "")
                .formula(
                        "mean of Ip + Ig2 of all tubes over a cycle, the larger of idle and full drive, and what else is fed");
    }

    private void add(SwapVerdict with, String sentence) {
        verdict = verdict.worse(with);
        said.add(sentence);
    }

    private void current(Rectifier rectifier, double tubes, Optional<Double> total) {
        if (total.isEmpty()) {
            add(SwapVerdict.UNKNOWN, "what else is fed is not answered, the output tubes alone take " + amps(tubes));
            return;
        }
        if (rectifier.amperes().isEmpty()) {
            add(SwapVerdict.UNKNOWN, "the direct current it may give is not known here");
            return;
        }
        double most = rectifier.amperes().get().value();
        double band = after.bands().plate() * tubes / total.get();
        String figures = amps(total.get()) + " of " + amps(most) + " direct current";
        switch (Judge.part(Value.computed(total.get(), band), Optional.of(most))) {
            case OVER -> add(SwapVerdict.FAIL, figures + ": over it by " + amps(total.get() - most));
            case INSIDE -> add(SwapVerdict.PASS, figures);
            default ->
                add(
                        SwapVerdict.UNKNOWN,
                        figures
                                + (Double.isInfinite(band)
                                        ? ": not told, the model is not fitted near these volts"
                                        : ", too close to call"));
        }
    }

    private void capacitor(Rectifier rectifier) {
        Optional<Double> fitted = question.chassis().rectification().firstFarads();
        if (rectifier.firstFarads().isEmpty()) {
            add(
                    SwapVerdict.NOTE,
                    "how large a capacitor it stands right behind it is not known here"
                            + fitted.map(f -> ", " + farads(f) + " is there").orElse(""));
        } else if (fitted.isEmpty()) {
            add(
                    SwapVerdict.UNKNOWN,
                    "the first capacitor is not answered, it stands "
                            + farads(rectifier.firstFarads().get().value()));
        } else if (fitted.get() > rectifier.firstFarads().get().value() * (1 + 1e-9)) {
            add(
                    SwapVerdict.FAIL,
                    farads(fitted.get()) + " right behind it, it stands "
                            + farads(rectifier.firstFarads().get().value())
                            + ": charging it takes more than its plates may give");
        } else {
            boolean verify = rectifier.firstFarads().get().toBeVerified();
            add(
                    verify ? SwapVerdict.NOTE : SwapVerdict.PASS,
                    farads(fitted.get()) + " of "
                            + farads(rectifier.firstFarads().get().value()) + " right behind it"
                            + (verify ? ", to be verified with the maker's sheet" : ""));
        }
    }

    /** While one plate rests, the winding's peak and the capacitor's charge stand across it, one on top of the other. */
    private void inverse(Rectifier rectifier) {
        double volts = 2 * after.stage().supplyVolts() * question.present().highest();
        String figures = Show.si(volts, Unit.VOLT, 3) + " inverse at highest mains, before the tubes conduct";
        Optional<Figure> limit = rectifier.inverseVolts();
        if (limit.isEmpty()) {
            add(SwapVerdict.NOTE, figures + ": what it stands is not known here");
            return;
        }
        String of = figures + ", of " + Show.si(limit.get().value(), Unit.VOLT, 3);
        switch (Judge.part(
                Value.computed(volts, ModelTrust.VOLTS_BAND),
                Optional.of(limit.get().value()))) {
            case OVER -> add(SwapVerdict.FAIL, of + ": over it");
            case INSIDE ->
                add(
                        limit.get().toBeVerified() ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        of + (limit.get().toBeVerified() ? ", to be verified with the maker's sheet" : ""));
            default -> add(SwapVerdict.UNKNOWN, of + ": too close to call");
        }
    }

    /** What another one changes: heater, when B+ comes, and how high it stands. */
    private void exchanged(Rectifier then) {
        Optional<Rectifier> now = question.chassis().rectification().now();
        if (now.isEmpty()) {
            add(SwapVerdict.UNKNOWN, "which one is fitted now is not answered, so that B+ is computed as it is");
            return;
        }
        heater(now.get(), then);
        if (!then.slow() && now.get().slow()) {
            add(
                    SwapVerdict.NOTE,
                    "B+ stands at its unloaded height before the tubes conduct: capacitors have to stand that");
        }
        if (now.get().ohms().isEmpty() || then.ohms().isEmpty()) {
            add(SwapVerdict.UNKNOWN, "the drop of one of the two is not known here, so that B+ is computed as it is");
            return;
        }
        Cycle idle = after.drive().idle();
        add(
                SwapVerdict.NOTE,
                "B+ at idle goes from " + Show.si(before.drive().idle().supplyVolts(), Unit.VOLT, 3) + " to "
                        + Show.si(idle.supplyVolts(), Unit.VOLT, 3) + " (from the published drops, an estimate): "
                        + Show.fixed(
                                100
                                        * idle.hottestPlateWatts()
                                        / question.candidate().plateWatts().orElseThrow(),
                                0)
                        + " % is then "
                        + Show.si(
                                idle.tubes().get(0).plateAmperes()
                                        + idle.tubes().get(0).screenAmperes(),
                                Unit.AMPERE,
                                3)
                        + " at each cathode");
    }

    private void heater(Rectifier now, Rectifier then) {
        if (then.solidState()) {
            add(SwapVerdict.PASS, "its heater winding is left free");
            return;
        }
        if (!now.solidState()
                && !now.heaterVolts()
                        .map(Figure::value)
                        .equals(then.heaterVolts().map(Figure::value))) {
            add(
                    SwapVerdict.FAIL,
                    "its heater takes " + Show.plain(then.heaterVolts().get().value(), 2)
                            + " V, that of the present one "
                            + Show.plain(now.heaterVolts().get().value(), 2) + " V");
            return;
        }
        double needs = then.heaterAmperes().orElseThrow().value();
        double has = now.heaterAmperes().map(Figure::value).orElse(0.0);
        if (needs > has) {
            add(
                    SwapVerdict.UNKNOWN,
                    "its heater takes " + Show.plain(needs, 2) + " A, now " + Show.plain(has, 2)
                            + " A: whether its winding gives that is not answered");
        }
    }

    private static String farads(double farads) {
        return Show.siPlain(farads, Unit.FARAD, 3);
    }

    private static String amps(double amperes) {
        return Show.si(amperes, Unit.AMPERE, 3);
    }
}
