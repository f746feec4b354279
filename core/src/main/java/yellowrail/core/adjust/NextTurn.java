package yellowrail.core.adjust;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

/**
 * Which control to turn, which way, and where to stop. The hottest tube of a control leads; only controls the amp has
 * are named. With several controls the stops are computed together, so that each tube ends on its mark when the last one is
 * turned.
 */
public final class NextTurn {
    /**
     * What is wanted beside the window.
     *
     * @param pull how currents followed B+ in two rounds; empty when it was not seen
     * @param middle whether every tube goes to the middle although it is inside its window
     * @param done controls of this plan that were turned already, and not read since
     * @param now where every tube stands on its mark at another mains than it is: how its figures differ now
     */
    public record Wish(Optional<Band> pull, boolean middle, List<String> done, AtMains now) {
        public static final Wish USUAL = new Wish(Optional.empty(), false, List.of(), AtMains.SAME);

        public Wish {
            done = List.copyOf(done);
        }
    }

    private NextTurn() {}

    /**
     * @param tubes every tube of the amp as read in the last round
     * @param sag from the last two rounds
     * @param directions what is known of each control, by its name
     */
    public static Advice of(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions) {
        return of(amp, tubes, window, sag, directions, Wish.USUAL);
    }

    public static Advice of(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions,
            Wish wish) {
        List<TubeNow> carried = tubes.stream().map(t -> t.carried(wish.now())).toList();
        return of(new Adjusting(amp, carried, window, sag, directions, wish));
    }

    private static Advice of(Adjusting stage) {
        AmpDescription amp = stage.amp();
        List<TubeNow> tubes = stage.tubes();
        TurnStop stop = new TurnStop(stage);
        List<Control> controls = Control.of(amp);
        if (controls.isEmpty()) {
            return new Advice.Rest(
                    amp.bias().controls() == ControlLayout.NONE
                            ? "This amp has no control for its idle: it is set by its parts."
                            : "The idle is set by a resistor, not by a control.",
                    List.of());
        }
        Optional<TubeNow> impossible = tubes.stream()
                .filter(t -> t.permitted().filter(p -> !p.exists()).isPresent())
                .findFirst();
        if (impossible.isPresent()) {
            String socket = impossible.get().socket().name();
            Permitted none = impossible.get().permitted().get();
            return new Advice.Refused(
                    none.unread()
                            ? "Read the " + none.limit() + " of " + socket
                                    + ": without them nobody can tell how hot it may run."
                            : socket + " would pass " + none.limit() + " at any idle: no turn mends that.");
        }
        Optional<Control> unbalanced =
                controls.stream().filter(Control::balance).filter(stop::apart).findFirst();
        if (unbalanced.isPresent()) {
            return stop.balance(unbalanced.get());
        }
        List<Control> turned = new ControlChoice(stage)
                .of(controls.stream().filter(c -> !c.balance()).toList());
        if (turned.isEmpty()) {
            boolean onlyBalance = controls.stream().allMatch(Control::balance);
            boolean inside = tubes.stream().allMatch(t -> stage.deviation(t) == 0);
            return new Advice.Rest(
                    onlyBalance && !inside
                            ? "The sides agree within 5 %; this amp has no level control, so the level stays where it is."
                            : "Nothing to turn: the hottest tube of each control is in “"
                                    + stage.window().name() + "”.",
                    StaysUnequal.of(amp, tubes, 1));
        }
        return stop.levels(turned);
    }
}
