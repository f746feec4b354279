package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;

/** What a check aims at, and what it may not pass. */
final class CheckTarget {
    private final CheckForm form;
    private final FieldErrors complaints;
    private final List<Window> windows;

    /** @param windows the target windows that can be named */
    CheckTarget(CheckForm form, FieldErrors complaints, List<Window> windows) {
        this.form = form;
        this.complaints = complaints;
        this.windows = windows;
    }

    Optional<Target> target(Optional<SensingMethod> method) {
        String name = or(form.target(), "");
        complaints.counts("lo", form.lo(), name.equals("own"), "with a target window of your own");
        complaints.counts("hi", form.hi(), name.equals("own"), "with a target window of your own");
        complaints.counts("maker", form.maker(), name.equals("maker"), "with the maker's figure as target");
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (name.equals("own")) {
            return ownWindow();
        }
        if (name.equals("maker")) {
            if (or(form.maker(), "").isEmpty()) {
                complaints.add("maker", "The target is the maker's figure: what shall the test point show?");
            }
            return method.flatMap(m -> complaints.quantity("maker", form.maker(), m.field()))
                    .map(Target.MakersFigure::new);
        }
        Optional<Target> named = windows.stream()
                .filter(w -> w.name().equals(name))
                .map(w -> (Target) w)
                .findFirst();
        if (named.isEmpty()) {
            complaints.add("target", "There is no target called “" + FieldErrors.shorten(name) + "”.");
        }
        return named;
    }

    private Optional<Target> ownWindow() {
        Optional<Typed> low = complaints.quantity("lo", form.lo(), Fields.PERCENT);
        Optional<Typed> high = complaints.quantity("hi", form.hi(), Fields.PERCENT);
        if (low.isEmpty() || high.isEmpty()) {
            complaints.add(low.isEmpty() ? "lo" : "hi", "Your own window needs both edges, in per cent of the rating.");
            return Optional.empty();
        }
        try {
            return Optional.of(
                    new Window("own", low.get().value() / 100, high.get().value() / 100, "your own window"));
        } catch (IllegalArgumentException refused) {
            complaints.add("hi", FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }

    /** The builder's own margin, share of the rating. */
    double ceiling(BiasScheme bias, Topology topology) {
        double usual = bias.usualCeiling(topology);
        Optional<Typed> typed = complaints.quantity("ceiling", form.ceiling(), Fields.PERCENT);
        if (typed.isPresent() && !(typed.get().value() > 0 && typed.get().value() <= 150)) {
            complaints.add("ceiling", "A ceiling lies above 0 and at most at 150 % of the rating.");
            return usual;
        }
        return typed.map(t -> t.value() / 100).orElse(usual);
    }
}
