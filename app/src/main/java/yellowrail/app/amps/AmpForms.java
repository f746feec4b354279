package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.CathodeResistor;
import yellowrail.core.amp.CombinedPoint;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.DirectMilliamps;
import yellowrail.core.amp.HalfPrimary;
import yellowrail.core.amp.OwnResistor;
import yellowrail.core.amp.PanelMeter;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.SenseResistor;
import yellowrail.core.amp.SensingMethod;
import yellowrail.core.amp.SharedResistor;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SocketAdaptor;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.SupplyResistor;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

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
                "own",
                "tube",
                "1.00",
                "1",
                List.of("", ""),
                "",
                "",
                "",
                "",
                "",
                "",
                "",
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
        return with(form, names, channel, sides, types);
    }

    static int channelsOf(AmpForm form) {
        return form.socketChannel().contains("2") ? 2 : 1;
    }

    private static AmpForm with(
            AmpForm f, List<String> names, List<String> channel, List<String> sides, List<String> types) {
        return new AmpForm(
                f.name(),
                f.topology(),
                f.connection(),
                f.tap(),
                f.bias(),
                f.controls(),
                names,
                channel,
                sides,
                types,
                f.method(),
                f.grouping(),
                f.r(),
                f.rtol(),
                f.rm(),
                f.insist(),
                f.other(),
                f.mvma(),
                f.zero(),
                f.warm(),
                f.caldiv(),
                f.calma(),
                f.screenOhms(),
                f.chokeOhms(),
                f.nominal(),
                f.lowest(),
                f.highest(),
                f.nodeLabel(),
                f.nodeFarads(),
                f.nodeVolts(),
                f.zaa(),
                f.heaterVolts(),
                f.heaterAmperes(),
                f.supplyAmperes(),
                f.quirks(),
                f.maker(),
                f.target(),
                f.judgeBy(),
                f.ceiling());
    }

    public static AmpForm of(AmpDescription amp) {
        SensingMethod method = amp.groups().get(0).method();
        Optional<SenseResistor> resistor = method.element();
        List<String> measured =
                amp.groups().stream().map(g -> measured(g.method())).toList();
        SocketAdaptor adaptor = method instanceof SocketAdaptor a ? a : new SocketAdaptor(1, 1, 0);
        Optional<PanelMeter.Calibration> panel = method instanceof PanelMeter p ? p.calibration() : Optional.empty();
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
                methodWord(method),
                grouping(amp),
                method instanceof HalfPrimary h
                        ? h.coldOhms().raw()
                        : resistor.map(r -> number(r.markedOhms())).orElse(""),
                method instanceof SocketAdaptor
                        ? number(adaptor.tolerancePercent())
                        : resistor.map(r -> number(r.tolerancePercent())).orElse(""),
                measured,
                resistor.filter(SenseResistor::insist).map(r -> "yes").orElse(""),
                method instanceof CombinedPoint c && c.otherAmperes() > 0 ? Show.si(c.otherAmperes(), Unit.AMPERE) : "",
                method instanceof SocketAdaptor ? number(adaptor.voltsPerAmpere()) : "",
                adaptor.zeroVolts() != 0 ? Show.si(adaptor.zeroVolts(), Unit.VOLT) : "",
                method instanceof HalfPrimary h
                        ? h.warmerBy().map(AmpForms::number).orElse("")
                        : "",
                panel.map(c -> number(c.divisions())).orElse(""),
                panel.map(c -> Show.si(c.amperes(), Unit.AMPERE)).orElse(""),
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
        return method.element().flatMap(SenseResistor::measured).map(Typed::raw).orElse("");
    }

    static String methodWord(SensingMethod method) {
        if (method instanceof OwnResistor) {
            return "own";
        }
        if (method instanceof SocketAdaptor) {
            return "adaptor";
        }
        if (method instanceof SharedResistor) {
            return "shared";
        }
        if (method instanceof CombinedPoint) {
            return "combined";
        }
        if (method instanceof CathodeResistor) {
            return "cathode";
        }
        if (method instanceof HalfPrimary) {
            return "half";
        }
        if (method instanceof DirectMilliamps direct) {
            return direct.where() == DirectMilliamps.Where.CATHODE ? "ma" : "maplate";
        }
        if (method instanceof SupplyResistor) {
            return "supply";
        }
        return method instanceof PanelMeter ? "panel" : "grid";
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
