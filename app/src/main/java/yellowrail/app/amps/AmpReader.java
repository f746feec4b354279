package yellowrail.app.amps;

import static yellowrail.app.amps.AmpForm.at;
import static yellowrail.app.forms.CheckForm.or;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.MethodReader;
import yellowrail.app.forms.SensingTexts;
import yellowrail.app.forms.Texts;
import yellowrail.app.forms.TubeName;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Transformers;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;

/** Makes a description of a form; what is missing or wrong becomes a sentence at its field. */
public final class AmpReader {
    private static final Field FARADS =
            Field.of("a capacitor", Unit.FARAD, Prefix.MICRO, 1e-9, 10e-3).aboveZero();
    private static final Field RATED_VOLTS =
            Field.of("rated volts", Unit.VOLT, Prefix.NONE, 5, 2000).aboveZero();
    private static final Field LOAD_OHMS =
            Field.of("a reflected load", Unit.OHM, Prefix.NONE, 200, 50e3).aboveZero();
    private static final Field HEATER_VOLTS =
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 50).aboveZero();
    private static final Field HEATER_AMPERES =
            Field.of("heater current", Unit.AMPERE, Prefix.NONE, 0.1, 50).aboveZero();
    private static final Field SUPPLY_AMPERES =
            Field.of("supply current", Unit.AMPERE, Prefix.MILLI, 5e-3, 2).aboveZero();
    private static final Field CHOKE_OHMS =
            Field.of("a choke or resistor", Unit.OHM, Prefix.NONE, 1, 2000).aboveZero();
    private static final Map<String, String> SIDES = Map.of("A", "A", "B", "B");

    private static final Map<String, ControlLayout> CONTROLS = controlWords();

    private static Map<String, ControlLayout> controlWords() {
        Map<String, ControlLayout> words = new LinkedHashMap<>();
        for (ControlLayout layout : ControlLayout.values()) {
            words.put(layout.name().toLowerCase(Locale.ROOT), layout);
        }
        return words;
    }

    private static final int MOST_NODES = 12;
    private final AmpForm form;
    private final Catalogue catalogue;
    private final List<String> targets;
    private final FieldErrors complaints = new FieldErrors();

    /** Capacitors in series, for example {@code 2 × 350}. */
    private static final Pattern SERIES = Pattern.compile("([2-4])\\s*[x×*]\\s*(.+)");

    private AmpReader(AmpForm form, Catalogue catalogue, List<String> targets) {
        this.form = form;
        this.catalogue = catalogue;
        this.targets = targets;
    }

    /** A description, or the sentences that stand in its way. */
    public record Read(Optional<AmpDescription> description, FieldErrors complaints) {}

    /** @param targets names of the target windows that can be chosen */
    public static Read read(AmpForm form, Catalogue catalogue, List<String> targets) {
        AmpReader reader = new AmpReader(form, catalogue, targets);
        Optional<AmpDescription> description = reader.description();
        return new Read(reader.complaints.any() ? Optional.empty() : description, reader.complaints);
    }

    private Optional<AmpDescription> description() {
        String name = Texts.line(form.name());
        if (name.isEmpty() || name.length() > Texts.NAME) {
            complaints.add("name", name.isEmpty() ? "Give the amp a name." : Texts.tooLong(Texts.NAME, name));
        }
        Topology topology = complaints.pick("topology", form.topology(), Words.TOPOLOGY, Topology.PUSH_PULL);
        Connection connection = complaints.pick("connection", form.connection(), Words.CONNECTION, Connection.PENTODE);
        BiasScheme bias = complaints.pick("bias", form.bias(), Words.BIAS, BiasScheme.FIXED_UNKNOWN);
        complaints.counts("tap", form.tap(), connection == Connection.ULTRALINEAR, "in ultralinear");
        double tap = connection == Connection.ULTRALINEAR ? tap() : 0;
        List<Socket> sockets = sockets(topology);
        List<SenseGroup> groups = groups(sockets, connection, tap);
        Mains mains = mains();
        Optional<Double> screenOhms = value("screenOhms", form.screenOhms(), Fields.SCREEN_OHMS);
        Optional<Double> chokeOhms = value("chokeOhms", form.chokeOhms(), CHOKE_OHMS);
        List<SupplyNode> nodes = nodes();
        Transformers transformers = new Transformers(
                value("zaa", form.zaa(), LOAD_OHMS),
                value("heaterVolts", form.heaterVolts(), HEATER_VOLTS),
                value("heaterAmperes", form.heaterAmperes(), HEATER_AMPERES),
                value("supplyAmperes", form.supplyAmperes(), SUPPLY_AMPERES));
        tooLong("quirks", form.quirks());
        String maker = maker(groups);
        String target = or(form.target(), "");
        if (!target.isEmpty() && !targets.contains(target) && !target.equals(Target.MakersFigure.NAME)) {
            complaints.add("target", "There is no target called “" + FieldErrors.shorten(target) + "”.");
        }
        Optional<Double> ceiling =
                value("ceiling", form.ceiling(), Fields.PERCENT).map(p -> p / 100);
        if (ceiling.filter(c -> !(c > 0 && c <= 1.5)).isPresent()) {
            complaints.add("ceiling", "A ceiling lies above 0 and at most at 150 % of the rating.");
        }
        ControlLayout controls = controls();
        String judgeBy = judgeBy();
        if (complaints.any()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new AmpDescription(
                    name,
                    topology,
                    connection,
                    tap,
                    bias,
                    controls,
                    sockets,
                    groups,
                    screenOhms,
                    chokeOhms,
                    mains,
                    nodes,
                    transformers,
                    or(form.quirks(), ""),
                    maker,
                    target,
                    judgeBy,
                    ceiling));
        } catch (IllegalArgumentException refused) {
            complaints.add("sockets", sentence(refused));
            return Optional.empty();
        }
    }

    /** The maker's figure is a reading at the amp's own test point, so it is read like one. */
    private String maker(List<SenseGroup> groups) {
        String text = or(form.maker(), "");
        if (!groups.isEmpty()) {
            complaints.quantity("maker", text, groups.get(0).method().field());
        }
        if (text.isEmpty() && Target.MakersFigure.NAME.equals(form.target())) {
            complaints.add("maker", "The target is the maker's figure: what shall the test point show?");
        }
        return text;
    }

    private String judgeBy() {
        String text = or(form.judgeBy(), "");
        if (!List.of("", "DESIGN_CENTRE", "DESIGN_MAXIMUM", "ABSOLUTE").contains(text)) {
            complaints.add(
                    "judgeBy",
                    "“" + FieldErrors.shorten(text)
                            + "” is no rating system known here: DESIGN_CENTRE, DESIGN_MAXIMUM, ABSOLUTE, or blank.");
        }
        return text;
    }

    private double tap() {
        double percent = value("tap", or(form.tap(), "40"), Fields.PERCENT).orElse(40.0);
        if (percent > 100) {
            complaints.add("tap", "A tap lies within 0 to 100 % of the half primary's turns.");
        }
        return percent / 100;
    }

    private ControlLayout controls() {
        return complaints.pick("controls", form.controls(), CONTROLS, ControlLayout.NONE);
    }

    private List<Socket> sockets(Topology topology) {
        List<Socket> sockets = new ArrayList<>();
        if (form.socketName().isEmpty() || form.socketName().size() > 8) {
            complaints.add("sockets", "An output stage here has 1 to 8 tubes.");
            return sockets;
        }
        for (int i = 0; i < form.socketName().size(); i++) {
            String name = Texts.line(or(at(form.socketName(), i), "V" + (i + 1)));
            Optional<String> type = type(i);
            int channel = complaints.count("socketChannel" + i, at(form.socketChannel(), i), 1, 2, 1);
            String side = complaints.pick("socketSide" + i, at(form.socketSide(), i), SIDES, "A");
            boolean sideB = side.equals("B") && topology == Topology.PUSH_PULL;
            if (type.isPresent()) {
                try {
                    sockets.add(new Socket(name, channel, sideB ? Socket.Side.B : Socket.Side.A, type.get()));
                } catch (IllegalArgumentException refused) {
                    complaints.add("socketName" + i, sentence(refused));
                }
            }
        }
        return complaints.any() ? List.of() : sockets;
    }

    /** The first socket's type stands for those left blank. */
    private Optional<String> type(int index) {
        String typed = or(at(form.socketType(), index), or(at(form.socketType(), 0), ""));
        String field = "socketType" + index;
        if (typed.isEmpty()) {
            complaints.add(field, "Which tube type is in this socket?");
            return Optional.empty();
        }
        Lookup lookup = catalogue.find(typed);
        if (lookup instanceof Lookup.Found found) {
            return Optional.of(found.type().designation());
        }
        TubeName.notOne(lookup).ifPresent(n -> complaints.add(field, n.sentence(), n.designations()));
        return Optional.empty();
    }

    private List<SenseGroup> groups(List<Socket> sockets, Connection connection, double tap) {
        Grouping grouping = complaints.pick("grouping", form.grouping(), Grouping.WORDS, Grouping.TUBE);
        SensingTexts.refuseUnknown(form.sensing(), AmpForm.names(), complaints);
        if (sockets.isEmpty()) {
            // Its fields still get their sentences, so that they need not be sent twice.
            method(2, 0, connection, tap);
            return List.of();
        }
        Map<String, List<String>> points =
                Grouping.of(form, Optional.of(grouping)).points(sockets);
        List<SenseGroup> groups = new ArrayList<>();
        int index = 0;
        for (var point : points.entrySet()) {
            Optional<SensingMethod> method = method(point.getValue().size(), index++, connection, tap);
            method.ifPresent(m -> groups.add(new SenseGroup(point.getKey(), point.getValue(), m)));
        }
        return groups;
    }

    private Optional<SensingMethod> method(int tubes, int index, Connection connection, double tap) {
        Optional<Way<?>> way = MethodReader.way(form.method());
        if (way.filter(w -> !w.kept()).isPresent()) {
            complaints.add(
                    "method",
                    "This way of taking current belongs to one occasion, not to an amp: choose how its rounds are read.",
                    Ways.kept().stream().map(Way::id).toList());
            return Optional.empty();
        }
        boolean alone = tubes == 1
                && way.filter(w -> w.behind() == Way.Behind.TWO_OR_MORE).isPresent();
        Map<String, String> texts = new LinkedHashMap<>(form.sensing());
        way.ifPresent(w -> w.parameters().forEach(p -> {
            if (p.kind() == Parameter.Kind.QUANTITY_OF_POINT) {
                texts.put(p.name(), at(form.rm(), index));
            } else if (p.kind() == Parameter.Kind.TUBES) {
                texts.put(p.name(), alone ? "" : String.valueOf(tubes));
            }
        }));
        String word = alone ? Ways.USUAL.id() : form.method();
        return new MethodReader(texts, connection, tap, complaints).read(word);
    }

    private Mains mains() {
        double nominal =
                value("nominal", or(form.nominal(), "230"), Fields.MAINS).orElse(230.0);
        // Ten per cent either way, in whole tenths of a volt: what the form shows is what is kept.
        double lowest = value("lowest", form.lowest(), Fields.MAINS).orElse(Math.round(9 * nominal) / 10.0);
        double highest = value("highest", form.highest(), Fields.MAINS).orElse(Math.round(11 * nominal) / 10.0);
        try {
            return new Mains(Optional.empty(), nominal, lowest, highest);
        } catch (IllegalArgumentException refused) {
            complaints.add("nominal", sentence(refused));
            return Mains.around(230, Optional.empty());
        }
    }

    private List<SupplyNode> nodes() {
        List<SupplyNode> nodes = new ArrayList<>();
        if (form.nodeLabel().size() > MOST_NODES) {
            complaints.add("nodeLabel" + MOST_NODES, "At most " + MOST_NODES + " nodes.");
        }
        for (int i = 0; i < Math.min(form.nodeLabel().size(), MOST_NODES); i++) {
            String name = Texts.line(at(form.nodeLabel(), i));
            if (name.length() > Texts.DESIGNATION) {
                complaints.add("nodeLabel" + i, Texts.tooLong(Texts.DESIGNATION, name));
            } else if (nodes.stream().anyMatch(n -> n.name().equals(name))) {
                complaints.add("nodeLabel" + i, "Two nodes are called “" + name + "”; give each its own name.");
            } else if (!name.isEmpty()) {
                Matcher pair = SERIES.matcher(at(form.nodeVolts(), i).strip());
                boolean inSeries = pair.matches();
                nodes.add(new SupplyNode(
                        name,
                        value("nodeFarads" + i, at(form.nodeFarads(), i), FARADS),
                        value("nodeVolts" + i, inSeries ? pair.group(2) : at(form.nodeVolts(), i), RATED_VOLTS),
                        inSeries ? Integer.parseInt(pair.group(1)) : 1));
            }
        }
        return nodes;
    }

    private Optional<Double> value(String field, String text, Field expected) {
        return complaints.quantity(field, text, expected).map(Typed::value);
    }

    private void tooLong(String field, String text) {
        if (text != null && text.length() > Texts.NOTE) {
            complaints.add(field, Texts.tooLong(Texts.NOTE, text));
        }
    }

    private static String sentence(IllegalArgumentException refused) {
        return Character.toUpperCase(refused.getMessage().charAt(0))
                + refused.getMessage().substring(1) + ".";
    }
}
