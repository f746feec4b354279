package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.MethodReader;
import yellowrail.app.forms.SensingTexts;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.tube.Connection;

/** How the current is taken, and what stands behind each point. */
record SensingPart(PartReader in) {
    static final FieldSpec<String> METHOD = CheckFields.method("The meter reads", Ways.kept(), Way::ampWords);
    static final FieldSpec<Grouping> GROUPING = FieldSpec.pick(
            "grouping",
            "One point for",
            new Pick<>("tube", "each tube", Grouping.TUBE),
            new Pick<>("side", "each side", Grouping.SIDE),
            new Pick<>("channel", "each channel", Grouping.CHANNEL),
            new Pick<>("all", "all tubes", Grouping.ALL));

    static final List<FieldSpec<?>> FIELDS = List.of(METHOD, GROUPING);

    /** What it means is read with the way of taking current. */
    static final FieldSpec<String> MEASURED = FieldSpec.plain("rm", "measured resistance of its sense resistor, Ω")
            .hinting("not measured");

    /** Asked of each point. */
    static final List<FieldSpec<?>> OF_POINT = List.of(MEASURED);

    List<SenseGroup> read(Optional<StageLayout> stage) {
        Grouping grouping = in.read(GROUPING);
        SensingTexts.refuseUnknown(in.form().sensing(), AmpForm.names(), in.complaints());
        if (stage.isEmpty()) {
            // Its fields still get their sentences, so that they need not be sent twice.
            method(2, 0, Connection.PENTODE, 0);
            return List.of();
        }
        Map<String, List<String>> points =
                Grouping.of(in.form(), grouping).points(stage.get().sockets());
        List<SenseGroup> groups = new ArrayList<>();
        int index = 0;
        for (var point : points.entrySet()) {
            Optional<SensingMethod> method = method(
                    point.getValue().size(),
                    index++,
                    stage.get().connection(),
                    stage.get().tap());
            method.ifPresent(m -> groups.add(new SenseGroup(point.getKey(), point.getValue(), m)));
        }
        return groups;
    }

    private Optional<SensingMethod> method(int tubes, int index, Connection connection, double tap) {
        Optional<Way<?>> way = MethodReader.way(in.form().text(METHOD.name()));
        if (way.filter(w -> !w.kept()).isPresent()) {
            AmpReader.ofOneOccasion(in.complaints());
            return Optional.empty();
        }
        boolean alone = tubes == 1
                && way.filter(w -> w.behind() == Way.Behind.TWO_OR_MORE).isPresent();
        Map<String, String> texts = new LinkedHashMap<>(in.form().sensing());
        way.ifPresent(w -> w.parameters().forEach(p -> {
            if (p.kind() == Parameter.Kind.QUANTITY_OF_POINT) {
                texts.put(p.name(), in.read(MEASURED, index));
            } else if (p.kind() == Parameter.Kind.TUBES) {
                texts.put(p.name(), alone ? "" : String.valueOf(tubes));
            }
        }));
        String word = alone ? Ways.USUAL.id() : in.form().text(METHOD.name());
        return new MethodReader(texts, connection, tap, in.complaints()).read(word);
    }

    static AmpForm write(AmpDescription amp, AmpForm form) {
        SensingMethod method = amp.groups().get(0).method();
        return form.with(METHOD, method.way().id())
                .with(GROUPING, grouping(amp))
                .with(MEASURED, amp.groups(), g -> measured(g.method()))
                .sensing(common(method));
    }

    private static String measured(SensingMethod method) {
        return of(method, Parameter.Kind.QUANTITY_OF_POINT).values().stream()
                .findFirst()
                .orElse("");
    }

    /** What every point of the amp has in common; blank where the method does not ask for it. */
    private static Map<String, String> common(SensingMethod method) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (Way<?> way : Ways.kept()) {
            way.parameters().stream()
                    .filter(p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK)
                    .forEach(p -> texts.put(p.name(), ""));
        }
        texts.putAll(of(method, Parameter.Kind.QUANTITY));
        texts.putAll(of(method, Parameter.Kind.TICK));
        return texts;
    }

    private static Map<String, String> of(SensingMethod method, Parameter.Kind kind) {
        Map<String, String> texts = new LinkedHashMap<>(method.parameters());
        texts.keySet()
                .retainAll(method.way().parameters().stream()
                        .filter(p -> p.kind() == kind)
                        .map(Parameter::name)
                        .toList());
        return texts;
    }

    private static Grouping grouping(AmpDescription amp) {
        List<List<String>> points =
                amp.groups().stream().map(SenseGroup::sockets).toList();
        for (Grouping grouping : Grouping.values()) {
            if (List.copyOf(grouping.points(amp.sockets()).values()).equals(points)) {
                return grouping;
            }
        }
        return Grouping.TUBE;
    }
}
