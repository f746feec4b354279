package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Which controls are turned, and in which order. */
final class ControlChoice {
    /** To the middle: nearer than this it stands there. */
    private static final double OFF_MIDDLE = 0.007;

    private final Adjusting stage;

    ControlChoice(Adjusting stage) {
        this.stage = stage;
    }

    /**
     * The controls whose tubes do not stand where they should, those the others would pull out, and without those that come
     * right by themselves. What passes a limit comes first, then what has furthest to go: it tells most of the supply.
     */
    List<Control> of(List<Control> levels) {
        Coupling coupling = stage.coupling();
        List<Control> turned = new ArrayList<>(levels.stream()
                .filter(c -> off(stage.lead(c), stage.lead(c).share()))
                .toList());
        turned.sort(first().reversed());
        for (Control control : List.copyOf(turned)) {
            List<Control> others =
                    turned.stream().filter(c -> !c.equals(control)).toList();
            if (!others.isEmpty() && !passes(control) && !endsOff(stage.lead(control), others, coupling)) {
                turned.remove(control);
            }
        }
        for (boolean more = !turned.isEmpty(); more; ) {
            Optional<Control> pulled = levels.stream()
                    .filter(c -> !turned.contains(c) && endsOff(stage.lead(c), turned, coupling))
                    .findFirst();
            pulled.ifPresent(turned::add);
            more = pulled.isPresent();
        }
        turned.sort(first());
        return turned;
    }

    /** Whether a tube that is not turned would stand where it should not once these are. */
    private boolean endsOff(TubeNow tube, List<Control> turned, Coupling coupling) {
        return TurnPlan.ends(stage.tubes(), turned, stage::aimWatts, coupling)
                .filter(ends -> !off(tube, ends[stage.tubes().indexOf(tube)]))
                .isEmpty();
    }

    private Comparator<Control> first() {
        return Comparator.comparing(this::passes).thenComparing(this::toGo).reversed();
    }

    private boolean passes(Control control) {
        TubeNow lead = stage.lead(control);
        return lead.share() > stage.passed(lead);
    }

    /** How far a control has to go: the logarithm of the ratio. */
    private double toGo(Control control) {
        TubeNow lead = stage.lead(control);
        return Math.abs(Math.log(lead.share() / stage.aim(lead)));
    }

    private boolean off(TubeNow tube, double share) {
        return stage.wish().middle()
                ? Math.abs(share / stage.aim(tube) - 1) > OFF_MIDDLE
                : stage.deviation(tube, share) != 0;
    }
}
