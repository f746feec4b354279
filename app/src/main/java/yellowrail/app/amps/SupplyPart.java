package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Texts;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Windings;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** What feeds the stage. */
record SupplyPart(PartReader in) {
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

    static final FieldSpec<Optional<Double>> NOMINAL =
            PartReader.quantity("nominal", "Mains, nominal V", "230", Fields.MAINS);
    static final FieldSpec<Optional<Double>> LOWEST = PartReader.quantity("lowest", "Lowest V", "−10 %", Fields.MAINS);
    static final FieldSpec<Optional<Double>> HIGHEST =
            PartReader.quantity("highest", "Highest V", "+10 %", Fields.MAINS);
    static final FieldSpec<Optional<Double>> CHOKE =
            PartReader.quantity("chokeOhms", "Choke for a cross-check, Ω", "not used", CHOKE_OHMS);
    static final FieldSpec<Optional<Double>> HEATER =
            PartReader.quantity("heaterVolts", "Heater winding, V", "not known", HEATER_VOLTS);
    static final FieldSpec<Optional<Double>> HEATER_CURRENT =
            PartReader.quantity("heaterAmperes", "Heater winding, A", "not known", HEATER_AMPERES);
    static final FieldSpec<Optional<Double>> HIGH_TENSION = FieldSpec.quantity(
                    "supplyAmperes", "High-tension winding, mA", "not known", SUPPLY_AMPERES)
            .showing(value -> value.map(a -> Show.si(a, Unit.AMPERE, 4)).orElse(""));
    static final FieldSpec<Optional<Double>> BIAS_WINDING =
            PartReader.quantity("biasWinding", "Bias winding, V AC", "not known", BIAS_VOLTS);

    static final List<FieldSpec<?>> FIELDS =
            List.of(NOMINAL, LOWEST, HIGHEST, CHOKE, HEATER, HEATER_CURRENT, HIGH_TENSION, BIAS_WINDING);

    static final FieldSpec<String> NODE = FieldSpec.plain("nodeLabel", "node");
    static final FieldSpec<Optional<Double>> NODE_FARADS = FieldSpec.quantity("nodeFarads", "capacitor, µF", "", FARADS)
            .showing(value -> value.map(f -> Show.si(f, Unit.FARAD, 3)).orElse(""));
    static final FieldSpec<Rated> NODE_VOLTS =
            FieldSpec.text("nodeVolts", "rated, V (a series pair: 2 × 350)", "", SupplyPart::rated, Rated::shown);

    /** Whether it is below the chassis. */
    static final FieldSpec<Boolean> NODE_STANDS = FieldSpec.pick(
            "nodeStands",
            "stands",
            new Pick<>("above", "above the chassis (B+)", false),
            new Pick<>("below", "below it (bias)", true));

    /** Asked of each node. */
    static final List<FieldSpec<?>> OF_NODE = List.of(NODE, NODE_STANDS, NODE_FARADS, NODE_VOLTS);

    private static final int MOST_NODES = 12;

    /**
     * Rated volts of a node's capacitors.
     *
     * @param volts of each; empty where not known
     * @param series how many of them stand in series
     */
    private record Rated(Optional<Double> volts, int series) {
        String shown() {
            return volts.map(v -> (series > 1 ? series + " × " : "") + PartReader.number(v))
                    .orElse("");
        }
    }

    private static Rated rated(String name, String text, FieldErrors complaints) {
        Matcher pair = SERIES.matcher(text);
        boolean inSeries = pair.matches();
        return new Rated(
                text.isEmpty()
                        ? Optional.empty()
                        : complaints
                                .ranged(name, inSeries ? pair.group(2) : text, text, RATED_VOLTS)
                                .map(Typed::value),
                inSeries ? Integer.parseInt(pair.group(1)) : 1);
    }

    Supply read() {
        return new Supply(
                mains(),
                nodes(),
                in.read(CHOKE),
                new Windings(
                        new Windings.Heater(in.read(HEATER), in.read(HEATER_CURRENT)),
                        new Windings.HighTension(in.read(HIGH_TENSION)),
                        new Windings.BiasSupply(in.read(BIAS_WINDING))));
    }

    private Mains mains() {
        double nominal = in.read(NOMINAL).orElse(230.0);
        // Ten per cent either way, in whole tenths of a volt: what the form shows is what is kept.
        double lowest = in.read(LOWEST).orElse(Math.round(9 * nominal) / 10.0);
        double highest = in.read(HIGHEST).orElse(Math.round(11 * nominal) / 10.0);
        try {
            return new Mains(Optional.empty(), nominal, lowest, highest);
        } catch (IllegalArgumentException refused) {
            in.complaints().add(NOMINAL.name(), FieldErrors.sentence(refused));
            return Mains.around(230, Optional.empty());
        }
    }

    private List<SupplyNode> nodes() {
        List<SupplyNode> nodes = new ArrayList<>();
        int count = in.form().list(NODE.name()).size();
        if (count > MOST_NODES) {
            in.complaints().add(PartReader.at(NODE, MOST_NODES), "At most " + MOST_NODES + " nodes.");
        }
        in.noneBeyond(OF_NODE, count, "node");
        for (int i = 0; i < Math.min(count, MOST_NODES); i++) {
            String name = Texts.line(in.read(NODE, i));
            if (name.length() > Texts.DESIGNATION) {
                in.complaints().add(PartReader.at(NODE, i), Texts.tooLong(Texts.DESIGNATION, name));
            } else if (nodes.stream().anyMatch(n -> n.name().equals(name))) {
                in.complaints()
                        .add(PartReader.at(NODE, i), "Two nodes are called “" + name + "”; give each its own name.");
            } else if (name.isEmpty()) {
                in.beside(NODE_FARADS, i, "node");
                in.beside(NODE_VOLTS, i, "node");
            } else {
                nodes.add(node(i, name));
            }
        }
        return nodes;
    }

    private SupplyNode node(int i, String name) {
        Rated rated = in.read(NODE_VOLTS, i);
        return new SupplyNode(name, in.read(NODE_FARADS, i), rated.volts(), rated.series(), in.read(NODE_STANDS, i));
    }

    static AmpForm write(Supply supply, AmpForm form) {
        Windings windings = supply.windings();
        List<SupplyNode> nodes = supply.nodes();
        return form.with(NOMINAL, Optional.of(supply.mains().nominal()))
                .with(LOWEST, Optional.of(supply.mains().lowest()))
                .with(HIGHEST, Optional.of(supply.mains().highest()))
                .with(CHOKE, supply.chokeOhms())
                .with(NODE, nodes, SupplyNode::name)
                .with(NODE_STANDS, nodes, SupplyNode::below)
                .with(NODE_FARADS, nodes, SupplyNode::farads)
                .with(NODE_VOLTS, nodes, n -> new Rated(n.ratedVolts(), n.series()))
                .with(HEATER, windings.heater().volts())
                .with(HEATER_CURRENT, windings.heater().amperes())
                .with(HIGH_TENSION, windings.highTension().amperes())
                .with(BIAS_WINDING, windings.bias().volts());
    }
}
