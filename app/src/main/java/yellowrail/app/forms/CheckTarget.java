package yellowrail.app.forms;

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
        String name = form.text(CheckFields.TARGET);
        complaints.counts(CheckFields.LOW, form, name.equals("own"), "with a target window of your own");
        complaints.counts(CheckFields.HIGH, form, name.equals("own"), "with a target window of your own");
        complaints.counts(CheckFields.MAKER, form, name.equals("maker"), "with the maker's figure as target");
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (name.equals("own")) {
            return ownWindow();
        }
        if (name.equals("maker")) {
            if (form.text(CheckFields.MAKER).isEmpty()) {
                complaints.add("maker", "The target is the maker's figure: what shall the test point show?");
            }
            return method.flatMap(m -> complaints.quantity("maker", form.text(CheckFields.MAKER), m.field()))
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
        Optional<Typed> low = form.read(CheckFields.LOW, complaints);
        Optional<Typed> high = form.read(CheckFields.HIGH, complaints);
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
        Optional<Typed> typed = form.read(CheckFields.CEILING, complaints);
        if (typed.isPresent() && !(typed.get().value() > 0 && typed.get().value() <= 150)) {
            complaints.add("ceiling", "A ceiling lies above 0 and at most at 150 % of the rating.");
            return usual;
        }
        return typed.map(t -> t.value() / 100).orElse(usual);
    }
}
