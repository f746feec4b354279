package yellowrail.core.fit;

import java.util.List;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** The models against published operations, line by line, as a table for the documents. */
public final class AccuracyTable {
    private AccuracyTable() {}

    /** In Markdown; differences of the model from the published figure in per cent. */
    public static String markdown(List<String> types) {
        StringBuilder table = new StringBuilder();
        table.append(
                "| type and operation | idle plate mA | model | idle screen | power W | model | plate at full signal |"
                        + " screen at full signal | THD % | model |\n|---|---|---|---|---|---|---|---|---|---|\n");
        for (String type : types) {
            List<Accuracy.Line> lines = Accuracy.lines(TubeModels.of(type).orElseThrow(), Operations.of(type));
            lines.forEach(l -> row(table, l));
            Accuracy a = Accuracy.of(lines);
            table.append("| **").append(type).append(", rms** | | ").append(rms(a.idlePlate(), a.idleCathode()));
            table.append(" | ").append(rms(a.idleScreen(), Double.NaN)).append(" | | ");
            table.append(rms(a.watts(), Double.NaN)).append(" | ").append(rms(a.fullPlate(), Double.NaN));
            table.append(" | ").append(rms(a.fullScreen(), Double.NaN)).append(" | | ");
            table.append(rms(a.distortion(), Double.NaN)).append(" |\n");
        }
        return table.toString();
    }

    private static void row(StringBuilder table, Accuracy.Line line) {
        Operation o = line.published();
        Predicted p = line.model();
        boolean cathode = Double.isNaN(o.idle().plate());
        double published = cathode ? o.idle().cathode() : o.idle().plate();
        double model = cathode ? p.idleCathode() : p.idlePlate();
        boolean fullCathode = Double.isNaN(o.full().plate());
        table.append("| ").append(words(o)).append(" | ");
        table.append(milli(published)).append(cathode ? " (Ik)" : "").append(" | ");
        table.append(off(model, published)).append(" | ");
        table.append(off(p.idleScreen(), o.idle().screen())).append(" | ");
        table.append(number(o.watts())).append(" | ");
        table.append(off(p.watts(), o.watts())).append(" | ");
        table.append(
                        fullCathode
                                ? off(p.fullCathode(), o.full().cathode())
                                : off(p.fullPlate(), o.full().plate()))
                .append(" | ");
        table.append(off(p.fullScreen(), o.full().screen())).append(" | ");
        table.append(number(100 * o.distortion())).append(" | ");
        table.append(Double.isNaN(o.distortion()) ? "–" : number(100 * p.distortion()))
                .append(" |\n");
    }

    private static String words(Operation o) {
        return o.type() + (o.topology() == Topology.PUSH_PULL ? ", push-pull " : ", single ")
                + (o.connection() == Connection.TRIODE
                        ? "triode "
                        : o.connection() == Connection.ULTRALINEAR ? "ultralinear " : "")
                + Show.plain(o.plateVolts(), 3)
                + (Double.isNaN(o.screenVolts()) ? "" : "/" + Show.plain(o.screenVolts(), 3))
                + " V, "
                + (Double.isNaN(o.gridVolts())
                        ? Show.plain(o.cathodeOhms(), 3) + " Ω"
                        : "−" + Show.plain(-o.gridVolts(), 3) + " V")
                + (o.loadOhms() > 0 ? ", " + Show.plain(o.loadOhms() / 1000, 3) + " kΩ" : "")
                + (o.driveKnown() ? "" : " (drive not published)") + (o.verify() ? " (verify)" : "");
    }

    private static String milli(double amperes) {
        return Double.isNaN(amperes) ? "–" : Show.plain(1000 * amperes, 3);
    }

    private static String number(double value) {
        return Double.isNaN(value) ? "–" : Show.significant(value, 3);
    }

    private static String off(double model, double published) {
        double miss = 100 * (model / published - 1);
        long whole = Math.round(miss);
        return Double.isNaN(miss) ? "–" : (whole < 0 ? "−" : whole > 0 ? "+" : "") + Math.abs(whole) + " %";
    }

    private static String rms(double share, double other) {
        double value = Double.isNaN(share) ? other : share;
        return Double.isNaN(value) ? "–" : Show.fixed(100 * value, 0) + " %";
    }
}
