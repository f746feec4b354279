package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.tube.Figure;

/** Another rectifier in the place of the fitted one. */
final class RectifierExchange {
    private final SwapQuestion question;
    private final SolvedStage before;
    private final SolvedStage after;
    private final Remarks said;

    RectifierExchange(SwapQuestion question, SolvedStage before, SolvedStage after, Remarks said) {
        this.question = question;
        this.before = before;
        this.after = after;
        this.said = said;
    }

    /** What another one changes: heater, when B+ comes, and how high it stands. */
    void told(Rectifier then) {
        Optional<Rectifier> now = question.chassis().part(Rectification.class).now();
        if (now.isEmpty()) {
            said.add(SwapVerdict.UNKNOWN, "which one is fitted now is not answered, so that B+ is computed as it is");
            return;
        }
        heater(now.get(), then);
        if (!then.slow() && now.get().slow()) {
            said.add(
                    SwapVerdict.NOTE,
                    "B+ stands at its unloaded height before the tubes conduct: capacitors have to stand that");
        }
        if (now.get().ohms().isEmpty() || then.ohms().isEmpty()) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "the drop of one of the two is not known here, so that B+ is computed as it is");
            return;
        }
        Cycle idle = after.drive().idle();
        said.add(
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
            said.add(SwapVerdict.PASS, "its heater winding is left free");
            return;
        }
        if (!now.solidState()
                && !now.heaterVolts()
                        .map(Figure::value)
                        .equals(then.heaterVolts().map(Figure::value))) {
            said.add(
                    SwapVerdict.FAIL,
                    "its heater takes " + Show.plain(then.heaterVolts().get().value(), 2)
                            + " V, that of the present one "
                            + Show.plain(now.heaterVolts().get().value(), 2) + " V");
            return;
        }
        double needs = then.heaterAmperes().orElseThrow().value();
        double has = now.heaterAmperes().map(Figure::value).orElse(0.0);
        if (needs > has) {
            said.add(
                    SwapVerdict.UNKNOWN,
                    "its heater takes " + Show.plain(needs, 2) + " A, now " + Show.plain(has, 2)
                            + " A: whether its winding gives that is not answered");
        }
    }
}
