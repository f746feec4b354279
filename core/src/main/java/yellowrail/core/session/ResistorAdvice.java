package yellowrail.core.session;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.CathodeFit;
import yellowrail.core.adjust.Transconductance;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;

/**
 * Which cathode resistor to fit. Cathode volts come from a reading that is one: of the cathode, or of the resistor itself. A
 * tube's own current, read on an adaptor, is none. What is proposed keeps every limit of every tube on the resistor.
 */
final class ResistorAdvice {
    private final AmpDescription amp;
    private final RoundAnswer answer;
    private final Window window;
    private final Function<String, Optional<Double>> driven;

    /** @param driven highest cathode volts measured at full drive, V, by sense point */
    ResistorAdvice(AmpDescription amp, RoundAnswer answer, Window window, Function<String, Optional<Double>> driven) {
        this.amp = amp;
        this.answer = answer;
        this.window = window;
        this.driven = driven;
    }

    /** For a tube that is too hot; else for the hottest of a resistor whose tubes are all too cold. */
    Advice advice() {
        Optional<SocketAnswer> hot =
                answer.sockets().stream().filter(s -> outside(s) > 0).max(Comparator.comparingDouble(this::outside));
        if (hot.isPresent()) {
            return of(hot.get());
        }
        Optional<SocketAnswer> cold = answer.sockets().stream()
                .filter(s -> together(s).stream().allMatch(t -> outside(t) < 0))
                .max(Comparator.comparingDouble(this::outside));
        if (cold.isPresent()) {
            return of(cold.get());
        }
        List<String> below = answer.sockets().stream()
                .filter(s -> outside(s) < 0)
                .map(s -> s.socket().name())
                .toList();
        return below.isEmpty()
                ? new Advice.Rest("Nothing to change: every tube is in “" + window.name() + "”.", List.of())
                : new Advice.Rest(
                        "Nothing to change: the hottest tube on each resistor is in “" + window.name() + "”.",
                        List.of(unlike(below)));
    }

    /** How far a tube lies outside its window or above what is permitted; zero where it may stay. */
    private double outside(SocketAnswer s) {
        Window own = s.answer().window().orElse(window);
        double share = s.answer().share().map(Estimate::value).orElse(window.aim());
        double high =
                Math.min(own.high(), s.answer().permitted().map(Permitted::edge).orElse(own.high()));
        return share > high ? share - high : share < own.low() ? share - own.low() : 0;
    }

    private Advice of(SocketAnswer lead) {
        if (!answer.contradictions().isEmpty()) {
            return new Advice.Refused("No resistor is proposed while readings contradict: "
                    + answer.contradictions().get(0).sentence());
        }
        SenseGroup group = amp.groupOf(lead.socket().name());
        List<SocketAnswer> together = together(lead);
        Optional<Double> volts = cathodeVolts(lead, group);
        double mean = together.stream()
                .mapToDouble(
                        s -> s.answer().cathodeAmperes().map(Estimate::value).orElse(0.0))
                .average()
                .orElse(0);
        if (volts.isEmpty() || !(volts.get() > 0) || !(mean > 0)) {
            return new Advice.Refused("Cathode volts are not read: they tell the resistor to fit.");
        }
        Optional<SocketAnswer> impossible = together.stream()
                .filter(s -> s.answer().permitted().filter(Permitted::exists).isEmpty())
                .findFirst();
        if (impossible.isPresent()) {
            return new Advice.Refused(none(impossible.get()));
        }
        double share = lead.answer().share().orElseThrow().value();
        double wanted = mean * aim(lead) / share;
        // How many tubes a resistor that is not the sensing one has is told by the description for one alone: of one
        // for
        // all only its ratio to the present ohms can be said.
        boolean counted = group.method().tellsCathodeVolts() || amp.bias().controls() == ControlLayout.CATHODE_OWN;
        int tubes = group.method().tellsCathodeVolts() ? group.sockets().size() : 1;
        CathodeFit.Wish wish = new CathodeFit.Wish(
                tubes,
                volts.get(),
                mean,
                wanted,
                lead.answer().plateToCathodeVolts().orElseThrow().value(),
                driven.apply(group.name()));
        CathodeFit fit = CathodeFit.of(wish, gm(lead, volts.get(), mean), times -> accepted(together, times));
        return new Advice.Fit(group.name(), fit, counted, left(together, fit));
    }

    /** The tubes that one resistor serves, as far as the description tells. */
    private List<SocketAnswer> together(SocketAnswer lead) {
        SenseGroup group = amp.groupOf(lead.socket().name());
        boolean alone = amp.bias().controls() == ControlLayout.CATHODE_OWN;
        return answer.sockets().stream()
                .filter(s -> group.sockets().contains(s.socket().name())
                        || !alone
                                && !group.method().tellsCathodeVolts()
                                && s.socket().channel() == lead.socket().channel())
                .toList();
    }

    private static Optional<Double> cathodeVolts(SocketAnswer lead, SenseGroup group) {
        Optional<Typed> own =
                lead.question().method().tellsCathodeVolts() ? lead.question().reading() : Optional.empty();
        return own.filter(r -> r.unit() == Unit.VOLT)
                .or(() -> lead.question().plate().cathodeVolts())
                .map(r -> Math.abs(r.value()))
                .or(() -> group.method().tellsCathodeVolts()
                        ? own.flatMap(r -> group.method().element().map(e -> r.value() * e.ohms()))
                        : Optional.empty());
    }

    private String none(SocketAnswer tube) {
        Optional<Permitted> permitted = tube.answer().permitted();
        String name = tube.socket().name();
        if (permitted.isEmpty()) {
            return "What " + name + " may idle at is not known yet, so no resistor is proposed.";
        }
        return permitted.get().unread()
                ? "Read the " + permitted.get().limit() + " of " + name
                        + ": without them nobody can tell how hot it may run."
                : name + " would pass " + permitted.get().limit() + " at any idle: no resistor mends that.";
    }

    private double aim(SocketAnswer tube) {
        return Math.min(
                window.aim(), tube.answer().permitted().map(Permitted::share).orElse(window.aim()));
    }

    private static boolean accepted(List<SocketAnswer> tubes, CathodeFit.Times times) {
        return tubes.stream()
                .allMatch(s -> s.answer().share().orElseThrow().value() * times.watts()
                                <= s.answer().permitted().orElseThrow().share() * (1 + 1e-9)
                        && s.answer().plateAmperes().orElseThrow().value() * times.current()
                                <= s.answer().permitted().orElseThrow().plateAmperes() * (1 + 1e-9));
    }

    /** What the chosen resistor leaves: a step on the way, or tubes that differ. */
    private List<String> left(List<SocketAnswer> tubes, CathodeFit fit) {
        if (fit.chosen().isEmpty()) {
            return List.of();
        }
        List<String> below = tubes.stream()
                .filter(s -> s.answer().share().orElseThrow().value() * fit.shareThere()
                        < s.answer().window().orElse(window).low())
                .map(s -> s.socket().name())
                .toList();
        if (below.isEmpty()) {
            return List.of();
        }
        return List.of(
                below.size() == tubes.size()
                        ? "A step on the way, safe whatever the supply does: read again, and the next value is nearer."
                        : String.join(", ", below)
                                + " would stay below the window: one resistor does not make unlike tubes" + " alike.");
    }

    private static String unlike(List<String> below) {
        return String.join(", ", below) + (below.size() == 1 ? " stays" : " stay")
                + " below the window: one resistor does not make unlike tubes alike.";
    }

    /** From the type's model scaled to the measured current; empty for types without one. */
    private static Optional<Double> gm(SocketAnswer lead, double cathodeVolts, double amperes) {
        Optional<Double> plate = lead.answer().plateToCathodeVolts().map(Estimate::value);
        Optional<TubeType> type = lead.question().stage().type();
        return plate.isPresent() && type.isPresent()
                ? Transconductance.of(
                        type.get(),
                        plate.get(),
                        lead.question()
                                .screenVolts()
                                .map(v -> v.value() - cathodeVolts)
                                .orElse(plate.get()),
                        cathodeVolts,
                        amperes)
                : Optional.empty();
    }
}
