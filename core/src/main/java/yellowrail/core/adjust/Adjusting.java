package yellowrail.core.adjust;

import java.util.List;
import java.util.Map;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.Permitted;
import yellowrail.core.target.Target.Window;

/**
 * A stage whose idle is to be set: its tubes, where each of them should stand, and what it may not pass.
 *
 * @param tubes at the mains they are set for, permitted idle with them
 * @param window the chosen one
 * @param sag from the last two rounds
 * @param directions what is known of each control, by its name
 */
record Adjusting(
        AmpDescription amp,
        List<TubeNow> tubes,
        Window window,
        SupplySag sag,
        Map<String, Control.Direction> directions,
        NextTurn.Wish wish) {
    List<TubeNow> movedBy(Control control) {
        return tubes.stream()
                .filter(t -> control.sockets().contains(t.socket().name()))
                .toList();
    }

    TubeNow lead(Control control) {
        return TurnPlan.lead(tubes, control);
    }

    /** The ceiling holds for what is read now, so at the mains the tubes are set for it is another figure. */
    double ceiling() {
        return amp.ceilingShare() / wish.now().watts();
    }

    Coupling coupling() {
        double total = tubes.stream().mapToDouble(TubeNow::cathodeAmperes).sum();
        double volts = tubes.stream().mapToDouble(TubeNow::plateVolts).average().orElseThrow();
        return Coupling.of(sag, volts, total, wish.pull());
    }

    double aimWatts(TubeNow tube) {
        return aim(tube) * tube.ratedWatts();
    }

    /** How far a tube is outside its window or above what is permitted; zero where it may stay. */
    double deviation(TubeNow tube) {
        return deviation(tube, tube.share());
    }

    double deviation(TubeNow tube, double share) {
        Window own = tube.window().orElse(window);
        double high = Math.min(own.high(), passed(tube));
        return share > high ? share - high : share < own.low() ? share - own.low() : 0;
    }

    /** Where this tube passes a limit. */
    double passed(TubeNow tube) {
        return tube.permitted().map(Permitted::edge).orElse(ceiling());
    }

    /** The middle of the window, or what the limits permit if that is colder. */
    double aim(TubeNow tube) {
        return Math.min(window.aim(), tube.permitted().map(Permitted::share).orElse(ceiling()));
    }
}
