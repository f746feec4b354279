package yellowrail.app.pictures;

import java.util.List;

/**
 * Curves over a logarithmic axis, as drawn.
 *
 * @param band what the shaded part is called
 * @param from where it begins, in the drawing
 * @param line where the level to compare with lies; not drawn when {@code lineName} is empty
 */
public record FrequencyPlot(
        Axis axis, String band, double from, double to, List<Curve> curves, double line, String lineName) {
    public FrequencyPlot {
        curves = List.copyOf(curves);
    }

    /** One curve as a path. */
    public record Curve(String name, String css, String path) {}

    /** Axes of a drawing with their ticks. */
    public record Axis(List<Tick> across, List<Tick> up, double left, double right, double top, double bottom) {}

    /** A tick and where it stands. */
    public record Tick(double at, String words) {}
}
