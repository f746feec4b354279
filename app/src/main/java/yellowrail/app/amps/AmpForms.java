package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.tube.Connection;

/** Fills a form from a description, and makes the empty one. */
public final class AmpForms {
    private AmpForms() {}

    /** An open form for a push-pull pair. */
    public static AmpForm empty() {
        return AmpForm.blank()
                .with(StagePart.TOPOLOGY, Topology.PUSH_PULL)
                .with(StagePart.CONNECTION, Connection.PENTODE)
                .with(BiasPart.BIAS, BiasScheme.FIXED_UNKNOWN)
                .with(BiasPart.CONTROLS, ControlLayout.PER_TUBE)
                .with("socketName", List.of("V1", "V2"))
                .with("socketChannel", List.of("1", "1"))
                .with("socketSide", List.of("A", "B"))
                .with("socketType", List.of("", ""))
                .with(SensingPart.METHOD, Ways.USUAL.id())
                .with(SensingPart.GROUPING, Grouping.TUBE)
                .with("rm", List.of("", ""))
                .sensing(Map.of("r", "1.00", "rtol", "1"))
                .with(SupplyPart.NOMINAL, Optional.of(230.0))
                .with(SupplyPart.NODE.name(), List.of("reservoir", "bias supply", "", ""))
                .with(SupplyPart.NODE_STANDS, List.of(false, true, false, false), below -> below);
    }

    /** The same form for another count of tubes; what was typed for the sockets that remain stays. */
    public static AmpForm resized(AmpForm form, int tubes, int channels) {
        List<String> names = new ArrayList<>();
        List<String> channel = new ArrayList<>();
        List<String> sides = new ArrayList<>();
        List<String> types = new ArrayList<>();
        int perChannel = Math.max(1, tubes / channels);
        boolean same = tubes == form.list("socketName").size() && channels == channelsOf(form);
        for (int i = 0; i < tubes; i++) {
            String name = form.at("socketName", i);
            names.add(name.isBlank() ? "V" + (i + 1) : name);
            channel.add(same ? form.at("socketChannel", i) : String.valueOf(Math.min(channels, 1 + i / perChannel)));
            sides.add(same ? form.at("socketSide", i) : i % perChannel < (perChannel + 1) / 2 ? "A" : "B");
            types.add(form.at("socketType", i));
        }
        return form.with("socketName", names)
                .with("socketChannel", channel)
                .with("socketSide", sides)
                .with("socketType", types);
    }

    static int channelsOf(AmpForm form) {
        return form.list("socketChannel").contains("2") ? 2 : 1;
    }

    public static AmpForm of(AmpDescription amp) {
        AmpForm form = AmpForm.blank().with(AmpForm.NAME, amp.name()).with(AmpForm.QUIRKS, amp.quirks());
        form = StagePart.write(amp.stage(), form);
        form = BiasPart.write(amp.bias(), form);
        form = SensingPart.write(amp, form);
        form = SupplyPart.write(amp.supply(), form);
        form = OutputPart.write(amp.output(), form);
        return JudgingPart.write(amp.judging(), form);
    }
}
