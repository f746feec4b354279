package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.ModelTrust;

/** The rectifier that would feed the tubes: its direct current, the capacitor behind it, its heater, and what B+ does. */
final class RectifierRow {
    /** Above its peak by less it is too close to call, share. */
    private static final double PEAK_BAND = 0.15;

    private final SwapQuestion question;
    private final SolvedStage before;
    private final SolvedStage after;
    private final Remarks said = new Remarks();

    private RectifierRow(SwapQuestion question, SolvedStage before, SolvedStage after) {
        this.question = question;
        this.before = before;
        this.after = after;
    }

    /** Empty where no rectifier is told. */
    static Optional<SwapRow> of(SwapQuestion question, SolvedStage before, SolvedStage after) {
        return question.chassis()
                .part(Rectification.class)
                .used()
                .map(r -> new RectifierRow(question, before, after).row(r));
    }

    private SwapRow row(Rectifier rectifier) {
        Chassis chassis = question.chassis();
        double tubes = chassis.channels() * SolvedStage.supplyAmperes(after.drive());
        Optional<Double> total = chassis.part(HighTension.class).otherAmperes().map(o -> o + tubes);
        Optional<Double> most = allowed(rectifier);
        if (!rectifier.solidState()) {
            current(rectifier, tubes, total);
            capacitor(rectifier);
            inverse(rectifier);
            total.ifPresent(t -> peak(rectifier, t));
        } else {
            said.add(
                    SwapVerdict.PASS,
                    "diodes are held by what winding and rectifier are said to give, in the row above");
        }
        chassis.part(Rectification.class)
                .then()
                .ifPresent(then -> new RectifierExchange(question, before, after, said).told(then));
        return SwapRow.of(Criterion.RECTIFIER, said.verdict(), rectifier.designation() + ": " + said.joined() + ".")
                .figures(
                        amps(total.orElse(tubes)),
                        rectifier.solidState()
                                ? "as the diodes are rated"
                                : most.map(RectifierRow::amps).orElse("not known"),
                        total.flatMap(t -> most.map(m -> t / m)).orElse(Double.NaN))
                .mend(
                        said.verdict() == SwapVerdict.FAIL
                                ? "Another rectifier, a smaller first capacitor, or less current."
                                : "")
                .formula(
                        "mean of Ip + Ig2 of all tubes over a cycle, the larger of idle and full drive, and what else is fed");
    }

    private void current(Rectifier rectifier, double tubes, Optional<Double> total) {
        if (total.isEmpty()) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "what else is fed is not answered, the output tubes alone take " + amps(tubes));
            return;
        }
        Optional<Double> allowed = allowed(rectifier);
        if (allowed.isEmpty()) {
            said.add(SwapVerdict.UNKNOWN, unknown(rectifier));
            return;
        }
        double most = allowed.get();
        if (most == 0) {
            said.add(
                    SwapVerdict.FAIL,
                    volts(windingVolts()) + " RMS at each half of the winding, it may have "
                            + volts(rectifier.supply().volts().orElseThrow().value()) + " at most");
            return;
        }
        double band = after.bands().plate() * tubes / total.get();
        String figures = amps(total.get()) + " of " + amps(most) + " direct current"
                + (most < rectifier.amperes().orElseThrow().value()
                        ? ", which is what it may give from " + volts(windingVolts()) + " RMS"
                        : "");
        switch (Judge.part(Value.computed(total.get(), band), Optional.of(most))) {
            case OVER -> said.add(SwapVerdict.FAIL, figures + ": over it by " + amps(total.get() - most));
            case INSIDE ->
                said.add(verify(rectifier) ? SwapVerdict.NOTE : SwapVerdict.PASS, figures + verified(rectifier));
            default ->
                said.add(
                        SwapVerdict.UNKNOWN,
                        figures
                                + (Double.isInfinite(band)
                                        ? ": not told, the model is not fitted near these volts"
                                        : ", too close to call"));
        }
    }

    /** RMS volts of one half of the winding, from B+ without load. */
    private double windingVolts() {
        return after.stage().supplyVolts() / Math.sqrt(2);
    }

    /** Direct current it may give from these volts, A; 0 above all it may have; empty where it is not known. */
    private Optional<Double> allowed(Rectifier rectifier) {
        return rectifier.solidState() ? Optional.empty() : rectifier.amperesFrom(windingVolts());
    }

    private String unknown(Rectifier rectifier) {
        return rectifier.amperes().isEmpty() || rectifier.supply().fullVolts().isEmpty()
                ? "the direct current it may give is not known here"
                : "the direct current it may give from " + volts(windingVolts())
                        + " RMS is not known here: it has all of it up to "
                        + volts(rectifier.supply().fullVolts().get().value()) + " RMS";
    }

    private static boolean verify(Rectifier rectifier) {
        return rectifier.supply().fullVolts().filter(Figure::toBeVerified).isPresent();
    }

    private static String verified(Rectifier rectifier) {
        return verify(rectifier)
                ? " (up to "
                        + volts(rectifier.supply().fullVolts().orElseThrow().value())
                        + " RMS of winding, to be verified with the maker's sheet)"
                : "";
    }

    private void capacitor(Rectifier rectifier) {
        Optional<Double> fitted = question.chassis().part(Rectification.class).firstFarads();
        if (rectifier.firstFarads().isEmpty()) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "how large a capacitor it stands right behind it is not known here"
                            + fitted.map(f -> ", " + farads(f) + " is there").orElse(""));
        } else if (fitted.isEmpty()) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "the first capacitor is not answered, it stands "
                            + farads(rectifier.firstFarads().get().value()));
        } else if (fitted.get() > rectifier.firstFarads().get().value() * (1 + 1e-9)) {
            said.add(
                    SwapVerdict.FAIL,
                    farads(fitted.get()) + " right behind it, it stands "
                            + farads(rectifier.firstFarads().get().value())
                            + ": charging it takes more than its plates may give");
        } else {
            boolean verify = rectifier.firstFarads().get().toBeVerified();
            said.add(
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
            said.add(SwapVerdict.UNKNOWN, figures + ": what it stands is not known here");
            return;
        }
        String of = figures + ", of " + Show.si(limit.get().value(), Unit.VOLT, 3);
        switch (Judge.part(
                Value.computed(volts, ModelTrust.VOLTS_BAND),
                Optional.of(limit.get().value()))) {
            case OVER -> said.add(SwapVerdict.FAIL, of + ": over it");
            case INSIDE ->
                said.add(
                        limit.get().toBeVerified() ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        of + (limit.get().toBeVerified() ? ", to be verified with the maker's sheet" : ""));
            default -> said.add(SwapVerdict.UNKNOWN, of + ": too close to call");
        }
    }

    /** A capacitor is charged in peaks: winding and tube alone limit them. */
    private void peak(Rectifier rectifier, double total) {
        Optional<Figure> limit = rectifier.peakAmperes();
        Optional<Double> winding = question.chassis().part(Rectification.class).windingOhms();
        if (limit.isEmpty() || rectifier.ohms().isEmpty()) {
            said.add(SwapVerdict.UNKNOWN, "its peak current is not judged: its limit or its drop is not known here");
            return;
        }
        if (winding.isEmpty()) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "the ohms of half its winding are not answered, so that the peaks of its plates are not known, of "
                            + amps(limit.get().value()));
            return;
        }
        double peak = RectifierPeak.amperes(
                rectifier, winding.get(), after.drive().idle().supplyVolts(), total);
        String figures =
                "peaks of about " + amps(peak) + " of " + amps(limit.get().value()) + " through each plate";
        double share = peak / limit.get().value();
        boolean verify = limit.get().toBeVerified();
        if (share > 1 + PEAK_BAND) {
            said.add(SwapVerdict.FAIL, figures + ": over it; ohms in each lead to its plates lower them");
        } else if (share > 1) {
            said.add(SwapVerdict.UNKNOWN, figures + ": too close to call");
        } else {
            said.add(
                    verify ? SwapVerdict.NOTE : SwapVerdict.PASS,
                    figures + (verify ? ", to be verified with the maker's sheet" : ""));
        }
    }

    private static String volts(double volts) {
        return Show.si(volts, Unit.VOLT, 3);
    }

    private static String farads(double farads) {
        return Show.siPlain(farads, Unit.FARAD, 3);
    }

    private static String amps(double amperes) {
        return Show.si(amperes, Unit.AMPERE, 3);
    }
}
