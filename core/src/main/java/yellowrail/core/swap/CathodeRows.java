package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Biasing;
import yellowrail.core.swap.Chassis.CathodeParts;

/** With cathode bias: where the candidate lands on the resistor, which one gives the idle wanted, and what the parts stand. */
final class CathodeRows {
    /** Off the wanted idle by more is worth a note, share of the rating. */
    private static final double NEAR = 0.05;
    /** A resistor is rated for twice its heat, a capacitor for 1.5 times its volts. */
    private static final double WATTS_MARGIN = 2;

    private static final double VOLTS_MARGIN = 1.5;

    private CathodeRows() {}

    static SwapRow resistor(SwapQuestion question, SolvedStage after) {
        SwapCandidate candidate = question.candidate();
        double ohms = after.stage().biasing().cathodeOhms();
        double fitted = question.present().stage().biasing().cathodeOhms();
        double watts = after.drive().idle().hottestPlateWatts();
        double share = watts / candidate.plateWatts().orElseThrow();
        boolean off = Math.abs(share - candidate.idleShare()) > NEAR;
        boolean changed = question.candidate().bias() != BiasChange.AS_NOW || Math.abs(ohms / fitted - 1) > 1e-3;
        String lands = "On " + ohms(ohms) + " it idles at " + percent(share) + " of its rating ("
                + Show.si(watts, Unit.WATT, 3) + ", cathode "
                + Show.si(after.drive().idle().leastCathodeVolts(), Unit.VOLT, 3) + ")";
        Proposal proposal = new Proposal(question);
        boolean other = off || !proposal.stands(ohms);
        Optional<Proposal.Resistor> proposed = other ? proposal.resistor(candidate.idleShare()) : Optional.empty();
        boolean less =
                proposed.filter(r -> r.share() < candidate.idleShare() - NEAR).isPresent();
        String wanted = proposed.map(r -> less
                        ? percent(candidate.idleShare()) + " would pass a limit; the hottest that passes none is "
                                + percent(r.share()) + ", on " + ohms(r.ohms())
                        : percent(candidate.idleShare()) + " takes about " + ohms(r.ohms()))
                .orElse(other ? "no preferred resistor gives an idle that passes no limit" : "as wanted");
        return SwapRow.of(
                        Criterion.CATHODE_RESISTOR,
                        other || changed ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        lands + "; " + wanted + "." + (changed ? change(question, fitted) : "") + spread(after))
                .figures(percent(share), percent(candidate.idleShare()) + " wanted", Double.NaN)
                .mend(
                        other
                                ? proposed.map(r -> "Fit " + ohms(r.ohms()) + " (±5 %), which idles at about "
                                                + percent(r.share()) + ", or accept this idle.")
                                        .orElse("")
                                : "")
                .formula("Vk = Rk · Ik of the tubes on it, solved together with their curves");
    }

    private static String change(SwapQuestion question, double fitted) {
        if (fitted > 0 && question.candidate().bias() == BiasChange.AS_NOW) {
            return " That resistor replaces the fitted " + ohms(fitted) + ".";
        }
        String each = question.candidate().bias() == BiasChange.CATHODE_EACH ? " at each cathode" : " for all cathodes";
        return fitted > 0
                ? " It is one" + each + ", in the place of what is there now."
                : " It is new, one" + each
                        + ", with its bypass; the grids then lead to chassis, and plate to cathode has the"
                        + " cathode volts less.";
    }

    /** How far the tubes stand apart. */
    private static String spread(SolvedStage after) {
        double most = after.drive().idle().hottestPlateWatts();
        double least = after.drive().idle().tubes().stream()
                .mapToDouble(t -> t.plateWatts())
                .min()
                .orElse(most);
        return most - least < 0.01 * most
                ? ""
                : " The coldest tube idles at " + Show.si(least, Unit.WATT, 3) + ", the hottest at "
                        + Show.si(most, Unit.WATT, 3) + ".";
    }

    static SwapRow parts(SwapQuestion question, SolvedStage after) {
        Biasing biasing = after.stage().biasing();
        double volts = Math.max(
                SolvedStage.cathodeVolts(after.drive()).orElse(0),
                SolvedStage.cathodeVolts(after.highest()).orElse(0));
        double watts = volts * volts / biasing.cathodeOhms();
        CathodeParts parts = question.chassis().part(CathodeParts.class);
        String figures = Show.si(volts, Unit.VOLT, 3) + " and " + Show.si(watts, Unit.WATT, 2);
        if (parts.resistorWatts().isEmpty() || parts.bypassVolts().isEmpty()) {
            return SwapRow.of(
                            Criterion.CATHODE_PARTS,
                            SwapVerdict.UNKNOWN,
                            "At full drive and highest mains the cathode reaches " + figures
                                    + " in its resistor; what the parts stand is not answered.")
                    .figures(figures, "not answered", Double.NaN)
                    .mend("Resistor rated for " + Show.si(WATTS_MARGIN * watts, Unit.WATT, 2)
                            + " or more, capacitor for " + Show.si(VOLTS_MARGIN * volts, Unit.VOLT, 2) + " or more.");
        }
        List<String> said = new ArrayList<>();
        SwapVerdict verdict = part(
                        said, "resistor", watts, parts.resistorWatts().get(), WATTS_MARGIN, Unit.WATT)
                .worse(
                        parts.bypassVolts().get() == 0
                                ? SwapVerdict.PASS
                                : part(
                                        said,
                                        "bypass capacitor",
                                        volts,
                                        parts.bypassVolts().get(),
                                        VOLTS_MARGIN,
                                        Unit.VOLT));
        return SwapRow.of(
                        Criterion.CATHODE_PARTS,
                        verdict,
                        "At full drive and highest mains: " + String.join(", ", said) + ".")
                .figures(
                        figures,
                        Show.siPlain(parts.resistorWatts().get(), Unit.WATT, 3)
                                + (parts.bypassVolts().get() == 0
                                        ? ""
                                        : " and "
                                                + Show.siPlain(
                                                        parts.bypassVolts().get(), Unit.VOLT, 3)),
                        Double.NaN)
                .mend(
                        verdict == SwapVerdict.PASS
                                ? ""
                                : "Resistor rated for " + Show.si(WATTS_MARGIN * watts, Unit.WATT, 2)
                                        + " or more, capacitor for " + Show.si(VOLTS_MARGIN * volts, Unit.VOLT, 2)
                                        + " or more.")
                .formula("Vk² / Rk = " + Show.si(volts, Unit.VOLT, 3) + "² / " + ohms(biasing.cathodeOhms()));
    }

    private static SwapVerdict part(
            List<String> said, String name, double value, double rated, double margin, Unit unit) {
        said.add(Show.si(value, unit, 2) + " at the " + name + " rated for " + Show.siPlain(rated, unit, 3));
        return value > rated ? SwapVerdict.FAIL : margin * value > rated ? SwapVerdict.NOTE : SwapVerdict.PASS;
    }

    private static String percent(double share) {
        return Show.fixed(100 * share, 0) + " %";
    }

    private static String ohms(double ohms) {
        return Show.si(ohms, Unit.OHM, 3);
    }
}
