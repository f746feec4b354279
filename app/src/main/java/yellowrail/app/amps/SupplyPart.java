package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Texts;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Windings;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** What feeds the stage. */
record SupplyPart(PartReader in) {
    static final List<AmpField> FIELDS = List.of(
            AmpField.text("nominal", "Nominal mains, V"),
            AmpField.text("lowest", "Lowest mains, V"),
            AmpField.text("highest", "Highest mains, V"),
            AmpField.text("chokeOhms", "Choke or B+ resistor for a cross-check of the total, Ω"),
            AmpField.list("nodeLabel", "Names of B+ and bias nodes"),
            AmpField.list("nodeFarads", "Capacitance of each node, µF"),
            AmpField.list("nodeVolts", "Rated volts of each node's capacitor, V; a series pair: 2 × 350"),
            AmpField.text("heaterVolts", "Heater winding, V"),
            AmpField.text("heaterAmperes", "Heater winding's rating, A"),
            AmpField.text("supplyAmperes", "High-tension winding's DC rating, mA"),
            AmpField.text("biasWinding", "Bias winding, V AC"));

    private static final Field FARADS =
            Field.of("a capacitor", Unit.FARAD, Prefix.MICRO, 1e-9, 10e-3).aboveZero();
    private static final Field RATED_VOLTS =
            Field.of("rated volts", Unit.VOLT, Prefix.NONE, 5, 2000).aboveZero();
    private static final Field HEATER_VOLTS =
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 50).aboveZero();
    private static final Field HEATER_AMPERES =
            Field.of("heater current", Unit.AMPERE, Prefix.NONE, 0.1, 50).aboveZero();
    private static final Field SUPPLY_AMPERES =
            Field.of("supply current", Unit.AMPERE, Prefix.MILLI, 5e-3, 2).aboveZero();
    private static final Field BIAS_VOLTS =
            Field.of("bias winding volts", Unit.VOLT, Prefix.NONE, 5, 250).aboveZero();
    private static final Field CHOKE_OHMS =
            Field.of("a choke or resistor", Unit.OHM, Prefix.NONE, 1, 2000).aboveZero();

    /** Capacitors in series, for example {@code 2 × 350}. */
    private static final Pattern SERIES = Pattern.compile("([2-4])\\s*[x×*]\\s*(.+)");

    private static final int MOST_NODES = 12;

    Supply read() {
        return new Supply(
                mains(),
                nodes(),
                in.value("chokeOhms", CHOKE_OHMS),
                new Windings(
                        new Windings.Heater(
                                in.value("heaterVolts", HEATER_VOLTS), in.value("heaterAmperes", HEATER_AMPERES)),
                        new Windings.HighTension(in.value("supplyAmperes", SUPPLY_AMPERES)),
                        new Windings.BiasSupply(in.value("biasWinding", BIAS_VOLTS))));
    }

    private Mains mains() {
        double nominal = in.value("nominal", or(in.form().text("nominal"), "230"), Fields.MAINS)
                .orElse(230.0);
        // Ten per cent either way, in whole tenths of a volt: what the form shows is what is kept.
        double lowest = in.value("lowest", Fields.MAINS).orElse(Math.round(9 * nominal) / 10.0);
        double highest = in.value("highest", Fields.MAINS).orElse(Math.round(11 * nominal) / 10.0);
        try {
            return new Mains(Optional.empty(), nominal, lowest, highest);
        } catch (IllegalArgumentException refused) {
            in.complaints().add("nominal", FieldErrors.sentence(refused));
            return Mains.around(230, Optional.empty());
        }
    }

    private List<SupplyNode> nodes() {
        List<SupplyNode> nodes = new ArrayList<>();
        int count = in.form().list("nodeLabel").size();
        if (count > MOST_NODES) {
            in.complaints().add("nodeLabel" + MOST_NODES, "At most " + MOST_NODES + " nodes.");
        }
        for (int i = 0; i < Math.min(count, MOST_NODES); i++) {
            String name = Texts.line(in.form().at("nodeLabel", i));
            if (name.length() > Texts.DESIGNATION) {
                in.complaints().add("nodeLabel" + i, Texts.tooLong(Texts.DESIGNATION, name));
            } else if (nodes.stream().anyMatch(n -> n.name().equals(name))) {
                in.complaints().add("nodeLabel" + i, "Two nodes are called “" + name + "”; give each its own name.");
            } else if (!name.isEmpty()) {
                nodes.add(node(i, name));
            }
        }
        return nodes;
    }

    private SupplyNode node(int i, String name) {
        String volts = in.form().at("nodeVolts", i);
        Matcher pair = SERIES.matcher(volts.strip());
        boolean inSeries = pair.matches();
        return new SupplyNode(
                name,
                in.value("nodeFarads" + i, in.form().at("nodeFarads", i), FARADS),
                in.value("nodeVolts" + i, inSeries ? pair.group(2) : volts, RATED_VOLTS),
                inSeries ? Integer.parseInt(pair.group(1)) : 1);
    }

    static AmpForm write(Supply supply, AmpForm form) {
        Windings windings = supply.windings();
        return form.with("nominal", PartReader.number(supply.mains().nominal()))
                .with("lowest", PartReader.number(supply.mains().lowest()))
                .with("highest", PartReader.number(supply.mains().highest()))
                .with("chokeOhms", PartReader.number(supply.chokeOhms()))
                .with("nodeLabel", supply.nodes().stream().map(SupplyNode::name).toList())
                .with(
                        "nodeFarads",
                        supply.nodes().stream()
                                .map(n -> n.farads()
                                        .map(f -> Show.si(f, Unit.FARAD, 3))
                                        .orElse(""))
                                .toList())
                .with(
                        "nodeVolts",
                        supply.nodes().stream()
                                .map(n -> n.ratedVolts()
                                        .map(v -> (n.series() > 1 ? n.series() + " × " : "") + PartReader.number(v))
                                        .orElse(""))
                                .toList())
                .with("heaterVolts", PartReader.number(windings.heater().volts()))
                .with("heaterAmperes", PartReader.number(windings.heater().amperes()))
                .with(
                        "supplyAmperes",
                        windings.highTension()
                                .amperes()
                                .map(a -> Show.si(a, Unit.AMPERE, 4))
                                .orElse(""))
                .with("biasWinding", PartReader.number(windings.bias().volts()));
    }
}
