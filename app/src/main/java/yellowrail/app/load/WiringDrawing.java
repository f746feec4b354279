package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.load.Wiring;

/**
 * Speakers as they are wired, with their polarity: in series one below the other, plus to minus; in parallel side by side, all
 * plus ends on one wire and all minus ends on another.
 *
 * @param boxes a box for each driver, in the order they are written
 * @param wires straight pieces of wire
 * @param lead where the wire from the tap comes in, from the left edge
 */
record WiringDrawing(List<Box> boxes, List<Wire> wires, double lead, double width, double height) {
    private static final double WIDE = 64;
    private static final double TALL = 44;
    private static final double BESIDE = 18;
    private static final double BELOW = 16;
    private static final double BUS = 12;
    private static final double MARGIN = 26;

    /** One driver; its plus end is above, its minus end below. */
    record Box(String name, double x, double y, double width, double height) {}

    /** A straight piece of wire. */
    record Wire(double x1, double y1, double x2, double y2) {}

    private record Size(double width, double height) {}

    static WiringDrawing of(Wiring wiring) {
        List<Box> boxes = new ArrayList<>();
        List<Wire> wires = new ArrayList<>();
        Size size = size(wiring);
        double middle = MARGIN + size.width() / 2;
        place(wiring, middle, MARGIN, boxes, wires);
        wires.add(new Wire(middle, MARGIN - BUS, middle, MARGIN));
        wires.add(new Wire(middle, MARGIN + size.height(), middle, MARGIN + size.height() + BUS));
        return new WiringDrawing(
                List.copyOf(boxes), List.copyOf(wires), middle, size.width() + 2 * MARGIN, size.height() + 2 * MARGIN);
    }

    private static Size size(Wiring wiring) {
        if (wiring instanceof Wiring.Series series) {
            List<Size> parts = series.parts().stream().map(WiringDrawing::size).toList();
            return new Size(
                    parts.stream().mapToDouble(Size::width).max().orElse(0),
                    parts.stream().mapToDouble(Size::height).sum() + BELOW * (parts.size() - 1));
        }
        if (wiring instanceof Wiring.Parallel parallel) {
            List<Size> parts =
                    parallel.parts().stream().map(WiringDrawing::size).toList();
            return new Size(
                    parts.stream().mapToDouble(Size::width).sum() + BESIDE * (parts.size() - 1),
                    parts.stream().mapToDouble(Size::height).max().orElse(0) + 2 * BUS);
        }
        return new Size(WIDE, TALL);
    }

    /** Its plus end at the top of the middle, its minus end at the bottom of its height below. */
    private static void place(Wiring wiring, double middle, double top, List<Box> boxes, List<Wire> wires) {
        if (wiring instanceof Wiring.Series series) {
            double y = top;
            for (int i = 0; i < series.parts().size(); i++) {
                Wiring part = series.parts().get(i);
                if (i > 0) {
                    wires.add(new Wire(middle, y - BELOW, middle, y));
                }
                place(part, middle, y, boxes, wires);
                y += size(part).height() + BELOW;
            }
        } else if (wiring instanceof Wiring.Parallel parallel) {
            Size whole = size(parallel);
            double bottom = top + whole.height();
            double x = middle - whole.width() / 2;
            double first = 0;
            double last = 0;
            for (int i = 0; i < parallel.parts().size(); i++) {
                Wiring part = parallel.parts().get(i);
                Size size = size(part);
                double at = x + size.width() / 2;
                place(part, at, top + BUS, boxes, wires);
                wires.add(new Wire(at, top, at, top + BUS));
                wires.add(new Wire(at, top + BUS + size.height(), at, bottom));
                first = i == 0 ? at : first;
                last = at;
                x += size.width() + BESIDE;
            }
            wires.add(new Wire(first, top, last, top));
            wires.add(new Wire(first, bottom, last, bottom));
        } else if (wiring instanceof Wiring.Driver driver) {
            boxes.add(new Box(driver.name(), middle - WIDE / 2, top, WIDE, TALL));
        }
    }
}
