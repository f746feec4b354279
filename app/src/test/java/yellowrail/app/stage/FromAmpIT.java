package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.targets.Targets;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** What a stage is filled with, for amps of every kind. */
class FromAmpIT extends AppIT {
    @Autowired
    private FromAmp fromAmp;

    @Autowired
    private TubeFactsOf facts;

    @Autowired
    private Targets targets;

    private Amp keep(
            Topology topology,
            Connection connection,
            BiasScheme bias,
            List<Socket> sockets,
            List<SenseGroup> groups,
            Optional<Double> load) {
        AmpDescription description = new AmpDescription(
                "Dunlin " + UUID.randomUUID().toString().substring(0, 8),
                new StageLayout(topology, connection, 0.4, sockets, Optional.empty()),
                new Bias(bias, ControlLayout.NONE),
                groups,
                new Supply(new Mains(Optional.empty(), 230, 216, 244), List.of(), Optional.empty(), Windings.UNKNOWN),
                new OutputTransformer(load),
                new Judging("", Optional.empty(), "", ""),
                "");
        return amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, description);
    }

    private static Socket socket(String name, int channel, Socket.Side side, String type) {
        return new Socket(name, channel, side, type);
    }

    private static List<SenseGroup> own(List<Socket> sockets, SensingMethod method) {
        return sockets.stream()
                .map(s -> new SenseGroup(s.name(), List.of(s.name()), method))
                .toList();
    }

    private static final OwnResistor ONE_OHM = new OwnResistor(SenseResistor.marked(1, 1));

    @Test
    void aCathodeResistorSharedByAllIsTheStagesOwn() {
        List<Socket> quad = List.of(
                socket("V1", 1, Socket.Side.A, "6V6GT"),
                socket("V2", 1, Socket.Side.A, "6V6GT"),
                socket("V3", 1, Socket.Side.B, "6V6GT"),
                socket("V4", 1, Socket.Side.B, "6V6GT"));
        List<SenseGroup> all = List.of(new SenseGroup(
                "all", List.of("V1", "V2", "V3", "V4"), new CathodeResistor(SenseResistor.marked(130, 2), 4)));
        Amp amp = keep(Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE, quad, all, Optional.of(4000.0));
        keepRound(amp, Map.of("MAINS.", "230", "PLATE.V1", "318 V", "CURRENT.all", "19.2 V"));
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.missing()).isEmpty();
        assertThat(stage.form().texts().get("bias")).isEqualTo("cathode");
        assertThat(stage.form().texts().get("at")).isEqualTo("130 Ω");
        assertThat(stage.form().texts().get("shared")).isEqualTo("shared");
        assertThat(stage.form().texts().get("tubes")).isEqualTo("4");
        // A mean is drawn as one.
        assertThat(stage.points()).extracting(AmpStage.ReadPoint::name).allMatch(n -> n.endsWith("(mean)"));
        assertThat(stage.points().get(0).volts()).isCloseTo(318 - 19.2, within(0.5));
        // With the resistor typed, the idle follows from the model: near what was read.
        StageReader.Read read = StageReader.read(stage.form(), facts.of(stage.form()));
        assertThat(read.complaints().byField()).isEmpty();
        double measured = stage.points().get(0).volts() * stage.points().get(0).amperes();
        assertThat(read.setting().orElseThrow().idleShare() * 12).isCloseTo(measured, within(0.25 * measured));
    }

    @Test
    void aResistorForEachSideCountsForEachTube() {
        List<Socket> quad = List.of(
                socket("V1", 1, Socket.Side.A, "EL84"),
                socket("V2", 1, Socket.Side.A, "EL84"),
                socket("V3", 1, Socket.Side.B, "EL84"),
                socket("V4", 1, Socket.Side.B, "EL84"));
        SensingMethod half = new CathodeResistor(SenseResistor.marked(130, 2), 2);
        List<SenseGroup> sides =
                List.of(new SenseGroup("A", List.of("V1", "V2"), half), new SenseGroup("B", List.of("V3", "V4"), half));
        Amp amp = keep(Topology.PUSH_PULL, Connection.TRIODE, BiasScheme.CATHODE, quad, sides, Optional.of(4000.0));
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.form().texts().get("at")).isEqualTo("260 Ω");
        assertThat(stage.form().texts().get("shared")).isEqualTo("own");
        assertThat(stage.form().texts().get("connection")).isEqualTo("triode");
        assertThat(stage.notes()).anyMatch(n -> n.contains("shared by 2 of 4 tubes"));
        assertThat(stage.missing()).contains("no round");
        assertThat(stage.form().texts().get("supply")).isEmpty();
    }

    @Test
    void eachChannelOfAStereoAmpHasItsShareOfTheSupply() {
        List<Socket> both = List.of(
                socket("L1", 1, Socket.Side.A, "EL34"),
                socket("L2", 1, Socket.Side.B, "EL34"),
                socket("R1", 2, Socket.Side.A, "EL34"),
                socket("R2", 2, Socket.Side.B, "EL34"));
        Amp amp = keep(
                Topology.PUSH_PULL,
                Connection.ULTRALINEAR,
                BiasScheme.FIXED_UNKNOWN,
                both,
                own(both, ONE_OHM),
                Optional.of(5000.0));
        Map<String, String> values = new HashMap<>(Map.of("MAINS.", "230 V"));
        for (Socket s : both) {
            values.put("PLATE." + s.name(), "430 V");
            values.put("CURRENT." + s.name(), s.channel() == 1 ? "38 mV" : "44 mV");
        }
        keepRound(amp, values);
        AmpStage left = fromAmp.of(amp, 1);
        AmpStage right = fromAmp.of(amp, 2);
        assertThat(left.channels()).isEqualTo(2);
        assertThat(left.form().texts().get("source")).isEqualTo("200 Ω");
        assertThat(left.form().texts().get("tap")).isEqualTo("40 %");
        assertThat(left.form().texts().get("bias")).isEqualTo("unknown");
        assertThat(left.notes())
                .anyMatch(n -> n.contains("counts 2-fold"))
                .anyMatch(n -> n.contains("judged for both"));
        assertThat(Double.parseDouble(right.form().texts().get("idle")))
                .isGreaterThan(Double.parseDouble(left.form().texts().get("idle")) + 5);
        assertThat(right.points()).extracting(AmpStage.ReadPoint::name).containsExactly("R1", "R2");
    }

    @Test
    void aMeasuredHalfPrimaryIsTakenAndAScreenSupplyIsFound() {
        List<Socket> pair = List.of(socket("V1", 1, Socket.Side.B, "6L6GC"), socket("V2", 1, Socket.Side.A, "6L6GC"));
        HalfPrimary winding =
                new HalfPrimary(new Typed("113", 113, Unit.OHM, 1), Optional.of(0.0), 1, Connection.PENTODE, 0);
        Amp amp = keep(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                BiasScheme.FIXED_TRACKING,
                pair,
                own(pair, winding),
                Optional.of(6600.0));
        keepRoundWithScreensAt("301 V", amp);
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.form().texts().get("rdc")).isEqualTo("113 Ω");
        assertThat(stage.strict().texts().get("rdc")).isEqualTo("113 Ω");
        assertThat(stage.form().texts().get("screens")).isEqualTo("301 V");
        // Side A comes first, whatever the measuring order.
        assertThat(stage.points()).extracting(AmpStage.ReadPoint::name).containsExactly("V2", "V1");
        // Fed from B+ a little below, a feed is found instead.
        keepRoundWithScreensAt("431 V", amp);
        AmpStage fed = fromAmp.of(amp, 1);
        assertThat(fed.form().texts().get("screens")).isEmpty();
        assertThat(Double.parseDouble(fed.form().texts().get("feed").replace(" Ω", "")))
                .isBetween(500.0, 5000.0);
    }

    private void keepRoundWithScreensAt(String screens, Amp amp) {
        Map<String, String> values = new HashMap<>(Map.of("MAINS.", "230"));
        for (String socket : List.of("V1", "V2")) {
            values.put("PLATE." + socket, "440 V");
            values.put("CURRENT." + socket, socket.equals("V1") ? "4.6 V" : "4.4 V");
            values.put("SCREEN." + socket, screens);
        }
        keepRound(amp, values);
    }

    @Test
    void mixedBiasWithoutItsOhmsAndASingleEndedStage() {
        List<Socket> one = List.of(socket("V1", 1, Socket.Side.A, "6550"));
        Amp amp = keep(
                Topology.SINGLE_ENDED,
                Connection.PENTODE,
                BiasScheme.MIXED,
                one,
                own(one, ONE_OHM),
                Optional.of(3000.0));
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.form().texts().get("topology")).isEqualTo("se");
        assertThat(stage.form().texts().get("bias")).isEqualTo("mixed");
        assertThat(stage.missing()).contains("cathode resistor's ohms");
        assertThat(stage.form().texts().get("cathode")).isEmpty();
        assertThat(stage.form().texts().get("rdc")).isEqualTo("96 Ω");
    }

    @Test
    void aTargetFromOlderReadingsSaysThatANewerRoundIsLeftOut() {
        List<Socket> pair = List.of(socket("V1", 1, Socket.Side.A, "6L6GC"), socket("V2", 1, Socket.Side.B, "6L6GC"));
        Amp amp = keep(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                BiasScheme.FIXED_TRACKING,
                pair,
                own(pair, ONE_OHM),
                Optional.of(5000.0));
        keepRound(
                amp,
                Map.of(
                        "MAINS.",
                        "230",
                        "PLATE.V1",
                        "390 V",
                        "PLATE.V2",
                        "390 V",
                        "CURRENT.V1",
                        "44.7 mV",
                        "CURRENT.V2",
                        "44.6 mV"));
        assertThat(fromAmp.of(amp, 1).leftOut()).isEmpty();
        assertThat(targets.computed(amp).words()).doesNotContain("left out");
        keepRound(amp, Map.of("MAINS.", "230", "PLATE.V1", "385 V", "CURRENT.V1", "50.1 mV"));
        assertThat(fromAmp.of(amp, 1).leftOut()).contains("A newer round").contains("left out");
        assertThat(fromAmp.of(amp, 1).notes()).anyMatch(n -> n.contains("older than that"));
        assertThat(targets.computed(amp).words()).contains("left out");
    }

    @Test
    void aRoundWithATubeLeftOutTellsNothing() {
        List<Socket> pair = List.of(socket("V1", 1, Socket.Side.A, "6L6GC"), socket("V2", 1, Socket.Side.B, "6L6GC"));
        Amp amp = keep(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                BiasScheme.FIXED_TRACKING,
                pair,
                own(pair, ONE_OHM),
                Optional.of(4200.0));
        // One tube alone was read.
        keepRound(amp, Map.of("MAINS.", "230", "PLATE.V1", "440 V", "CURRENT.V1", "40 mV"));
        assertThat(fromAmp.of(amp, 1).missing()).contains("no round");
        assertThat(fromAmp.of(amp, 1).points()).isEmpty();
    }
}
