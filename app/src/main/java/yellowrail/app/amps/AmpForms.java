package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** Fills a form from a description, and makes the empty one. */
public final class AmpForms {
    private AmpForms() {}

    /** An open form for a push-pull pair. */
    public static AmpForm empty() {
        return new AmpForm(
                "",
                "pp",
                "pentode",
                "",
                "unknown",
                "per_tube",
                List.of("V1", "V2"),
                List.of("1", "1"),
                List.of("A", "B"),
                List.of("", ""),
                Ways.USUAL.id(),
                "tube",
                List.of("", ""),
                Map.of("r", "1.00", "rtol", "1"),
                "",
                "",
                "230",
                "",
                "",
                List.of("reservoir", "bias supply", "", ""),
                List.of(),
                List.of(),
                "",
                "",
                "",
                "",
                "",
                "",
                "",
                "",
                "");
    }

    /** The same form for another count of tubes; what was typed for the sockets that remain stays. */
    public static AmpForm resized(AmpForm form, int tubes, int channels) {
        List<String> names = new ArrayList<>();
        List<String> channel = new ArrayList<>();
        List<String> sides = new ArrayList<>();
        List<String> types = new ArrayList<>();
        int perChannel = Math.max(1, tubes / channels);
        boolean same = tubes == form.socketName().size() && channels == channelsOf(form);
        for (int i = 0; i < tubes; i++) {
            String name = AmpForm.at(form.socketName(), i);
            names.add(name.isBlank() ? "V" + (i + 1) : name);
            channel.add(
                    same
                            ? AmpForm.at(form.socketChannel(), i)
                            : String.valueOf(Math.min(channels, 1 + i / perChannel)));
            sides.add(same ? AmpForm.at(form.socketSide(), i) : i % perChannel < (perChannel + 1) / 2 ? "A" : "B");
            types.add(AmpForm.at(form.socketType(), i));
        }
        return form.with(
                Map.of("socketName", names, "socketChannel", channel, "socketSide", sides, "socketType", types));
    }

    static int channelsOf(AmpForm form) {
        return form.socketChannel().contains("2") ? 2 : 1;
    }

    public static AmpForm of(AmpDescription amp) {
        SensingMethod method = amp.groups().get(0).method();
        return new AmpForm(
                amp.name(),
                word(Words.TOPOLOGY, amp.topology()),
                word(Words.CONNECTION, amp.connection()),
                amp.connection() == Connection.ULTRALINEAR ? number(100 * amp.tap()) : "",
                word(Words.BIAS, amp.bias()),
                amp.controls().name().toLowerCase(Locale.ROOT),
                amp.sockets().stream().map(Socket::name).toList(),
                amp.sockets().stream().map(s -> String.valueOf(s.channel())).toList(),
                amp.sockets().stream().map(s -> s.side().name()).toList(),
                amp.sockets().stream().map(Socket::tubeType).toList(),
                method.way().id(),
                grouping(amp),
                amp.groups().stream().map(g -> measured(g.method())).toList(),
                sensing(method),
                ohms(amp.screenOhms()),
                ohms(amp.chokeOhms()),
                number(amp.mains().nominal()),
                number(amp.mains().lowest()),
                number(amp.mains().highest()),
                amp.nodes().stream().map(SupplyNode::name).toList(),
                amp.nodes().stream()
                        .map(n -> n.farads().map(f -> Show.si(f, Unit.FARAD, 3)).orElse(""))
                        .toList(),
                amp.nodes().stream()
                        .map(n -> n.ratedVolts()
                                .map(v -> (n.series() > 1 ? n.series() + " × " : "") + number(v))
                                .orElse(""))
                        .toList(),
                ohms(amp.transformers().plateToPlateOhms()),
                amp.transformers().heaterVolts().map(AmpForms::number).orElse(""),
                amp.transformers().heaterAmperes().map(AmpForms::number).orElse(""),
                amp.transformers()
                        .supplyAmperes()
                        .map(a -> Show.si(a, Unit.AMPERE, 4))
                        .orElse(""),
                amp.quirks(),
                amp.makersFigure(),
                amp.target(),
                amp.judgeBy(),
                amp.ceiling().map(c -> number(100 * c)).orElse(""));
    }

    private static String measured(SensingMethod method) {
        return of(method, Parameter.Kind.QUANTITY_OF_POINT).values().stream()
                .findFirst()
                .orElse("");
    }

    /** What every point of the amp has in common; blank where the method does not ask for it. */
    private static Map<String, String> sensing(SensingMethod method) {
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

    private static String grouping(AmpDescription amp) {
        List<List<String>> points =
                amp.groups().stream().map(SenseGroup::sockets).toList();
        for (Grouping grouping : Grouping.values()) {
            if (List.copyOf(grouping.points(amp.sockets()).values()).equals(points)) {
                return grouping.name().toLowerCase(Locale.ROOT);
            }
        }
        return "tube";
    }

    private static <T> String word(Map<String, T> words, T value) {
        return words.entrySet().stream()
                .filter(e -> e.getValue().equals(value))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }

    private static String ohms(Optional<Double> value) {
        return value.map(AmpForms::number).orElse("");
    }

    private static String number(double value) {
        return java.math.BigDecimal.valueOf(value)
                .round(new java.math.MathContext(6))
                .stripTrailingZeros()
                .toPlainString();
    }
}
