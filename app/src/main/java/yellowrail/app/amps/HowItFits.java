package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.List;

/** How bias, controls and sensing of a described amp go together, in words, while it is being described. */
final class HowItFits {
    private HowItFits() {}

    /**
     * @param points names of the sense points, as the form makes them
     */
    static List<String> sentences(AmpForm form, List<String> points) {
        List<String> sentences = new ArrayList<>();
        boolean cathode = "cathode".equals(form.text("bias"));
        boolean resistor = form.text("controls").startsWith("cathode");
        int tubes = form.list("socketName").size();
        if (cathode && !resistor) {
            sentences.add(
                    "With cathode bias no control sets the idle, the cathode resistor does: choose it under Controls.");
        }
        if (!cathode && resistor && !"mixed".equals(form.text("bias"))) {
            sentences.add(
                    "A cathode resistor sets the idle only with cathode or mixed bias: choose that under Bias, or a"
                            + " control.");
        }
        boolean shared = points.size() < tubes;
        if (shared) {
            sentences.add((points.size() == 1
                            ? ("cathode_shared".equals(form.text("controls"))
                                            ? "A shared cathode resistor is one point by itself: it"
                                            : "One point")
                                    + " shows all " + tubes + " tubes together: their mean, never one alone."
                            : points.size() + " points show " + tubes + " tubes: each a mean of several.")
                    + " Single tubes can be read beside it, on an adaptor.");
        } else {
            sentences.add(
                    tubes == 1
                            ? "The point shows the tube alone."
                            : "Each of the " + tubes + " tubes has a point of its own and is seen alone.");
        }
        if ("per_tube".equals(form.text("controls")) && shared) {
            sentences.add(
                    "Each tube has a control, but the points show means: what one control does is seen in the mean"
                            + " only.");
        }
        if ("level".equals(form.text("controls")) && !shared && tubes > 1) {
            sentences.add("One control moves all: unlike tubes stay unlike, so the hottest one decides where to stop.");
        }
        return sentences;
    }
}
