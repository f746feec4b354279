package yellowrail.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.results.ResultStore;
import yellowrail.app.rounds.RoundFields;
import yellowrail.app.rounds.RoundForm;
import yellowrail.app.rounds.RoundReader;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.standin.SimulatedMeter;
import yellowrail.core.standin.SimulatedStage;

/**
 * Three invented amps with rounds over some months. Every figure comes from the simulated stages and meter; the readings
 * go in through the same reader and store as a builder's.
 */
@Component
@Profile("demo")
class DemoData implements ApplicationRunner {
    private final AmpStore amps;
    private final RoundStore rounds;
    private final SessionStore sessions;
    private final ResultStore results;
    private final TransformerStore transformers;
    private final SpeakerStore speakers;

    DemoData(
            AmpStore amps,
            RoundStore rounds,
            SessionStore sessions,
            ResultStore results,
            TransformerStore transformers,
            SpeakerStore speakers) {
        this.speakers = speakers;
        this.transformers = transformers;
        this.amps = amps;
        this.rounds = rounds;
        this.sessions = sessions;
        this.results = results;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        fill();
    }

    /** Ids follow from names, so that filling twice stores once. */
    void fill() {
        bittern();
        reedling();
        avocet();
        Amp bittern = amps.amp(id("bittern"));
        DemoResults.keep(results, bittern.id(), id("result/first"), id("result/second"));
        DemoSessions demo = new DemoSessions(sessions, bittern);
        demo.finished(id("session/finished"));
        demo.halfDone(id("session/half"));
        new DemoTransformers(transformers, DemoData::id).keep(bittern.id());
        DemoSpeakers.keep(speakers, id("speaker/reed12"));
        Amp curlew = keep("curlew", DemoAmps.curlew());
        new DemoTurns(sessions, curlew).finished(id("session/turns"));
    }

    /** A fixed-bias pair of 6550, each with its own sense resistor, set warmer step by step and drifting apart a little. */
    private void bittern() {
        Amp amp = keep("bittern", DemoAmps.bittern());
        double[] strengths = {0.93, 0.93, 0.92, 0.90};
        double[] grids = {-37.8, -35.4, -35.4, -35.4};
        double[] mains = {231, 229, 233, 230};
        String[] days = {"2026-02-07T19:40", "2026-02-07T20:25", "2026-05-16T18:05", "2026-10-03T20:10"};
        for (int i = 0; i < days.length; i++) {
            SimulatedStage stage =
                    new SimulatedStage(DemoAmps.model("6550"), List.of(1.02, strengths[i]), 452, 95, 318, grids[i], 0);
            SimulatedStage.Idle idle = stage.idle(mains[i] / 230);
            Map<String, String> values = new LinkedHashMap<>();
            put(values, Quantity.MAINS, "", mains[i], Unit.VOLT);
            for (int tube = 0; tube < 2; tube++) {
                String socket = "V" + (tube + 4);
                put(values, Quantity.PLATE, socket, idle.plateVolts(), Unit.VOLT);
                put(
                        values,
                        Quantity.CURRENT,
                        socket,
                        idle.cathodeAmperes(tube) * DemoAmps.BITTERN_OHMS[tube],
                        Unit.VOLT);
                put(values, Quantity.SCREEN, socket, idle.screenVolts(), Unit.VOLT);
                put(values, Quantity.GRID, socket, grids[i] * mains[i] / 230, Unit.VOLT);
            }
            round(amp, days[i], values, i == 0 ? "new tubes, controls near their coldest end" : "");
        }
    }

    /** A cathode-biased quad of 6V6GT on one resistor: the mean looks innocent, one tube is hot. */
    private void reedling() {
        Amp amp = keep("reedling", DemoAmps.reedling());
        double[] mains = {230, 232, 228};
        String[] days = {"2026-03-21T16:20", "2026-06-13T17:45", "2026-09-26T15:30"};
        for (int i = 0; i < days.length; i++) {
            SimulatedStage stage = new SimulatedStage(
                    DemoAmps.model("6V6GT"),
                    List.of(1.30 + 0.02 * i, 1.02, 0.86, 0.80),
                    308,
                    70,
                    Double.NaN,
                    0,
                    DemoAmps.REEDLING_OHMS);
            SimulatedStage.Idle idle = stage.idle(mains[i] / 230);
            Map<String, String> values = new LinkedHashMap<>();
            put(values, Quantity.MAINS, "", mains[i], Unit.VOLT);
            put(values, Quantity.PLATE, "V3", idle.plateVolts(), Unit.VOLT);
            put(values, Quantity.CURRENT, "all", idle.cathodeVolts(), Unit.VOLT);
            // Only the last round looked behind the mean, with an adaptor.
            if (i == days.length - 1) {
                for (int tube = 0; tube < 4; tube++) {
                    put(values, Quantity.INDIVIDUAL, "V" + (tube + 3), idle.cathodeAmperes(tube), Unit.AMPERE);
                }
            }
            round(amp, days[i], values, i == days.length - 1 ? "each tube on an adaptor this time" : "");
        }
    }

    /** A stereo amp with a pair of 7591 a channel and one test point a channel. */
    private void avocet() {
        Amp amp = keep("avocet", DemoAmps.avocet());
        double[] mains = {231, 234, 229};
        String[] days = {"2026-01-18T11:15", "2026-04-19T10:40", "2026-11-08T14:05"};
        for (int i = 0; i < days.length; i++) {
            Map<String, String> values = new LinkedHashMap<>();
            put(values, Quantity.MAINS, "", mains[i], Unit.VOLT);
            for (int channel = 1; channel <= 2; channel++) {
                SimulatedStage stage = new SimulatedStage(
                        DemoAmps.model("7591"),
                        channel == 1 ? List.of(1.05, 0.97) : List.of(0.94 - 0.02 * i, 0.92),
                        436,
                        110,
                        380,
                        -20.8,
                        0);
                SimulatedStage.Idle idle = stage.idle(mains[i] / 230);
                put(values, Quantity.PLATE, channel == 1 ? "V5" : "V7", idle.plateVolts(), Unit.VOLT);
                put(
                        values,
                        Quantity.CURRENT,
                        "channel " + channel,
                        idle.totalAmperes() * DemoAmps.AVOCET_OHMS,
                        Unit.VOLT);
            }
            round(amp, days[i], values, "");
        }
    }

    private static void put(Map<String, String> values, Quantity quantity, String point, double value, Unit unit) {
        values.put(RoundForm.key(quantity, point), new SimulatedMeter(0.0018).show(value, unit));
    }

    private Amp keep(String name, AmpDescription description) {
        return amps.keep(id(name + "/version"), id(name), 0, description);
    }

    private void round(Amp amp, String day, Map<String, String> values, String note) {
        OffsetDateTime takenAt = OffsetDateTime.parse(day + ":00Z").withOffsetSameInstant(ZoneOffset.UTC);
        UUID id = id(amp.description().name() + day);
        RoundForm form = RoundForm.of(id.toString(), values)
                .saying(RoundFields.TAKEN_AT, takenAt.toString())
                .saying(CheckFields.METER, Meter.HANDHELD.name())
                .saying(CheckFields.REFERENCE, "chassis")
                .saying(CheckFields.APART, "together")
                .saying(RoundFields.NOTE, note);
        RoundReader.Read read = RoundReader.read(form, amp.description(), id, Meter.CLASSES, OffsetDateTime.now());
        if (read.complaints().any()) {
            throw new IllegalStateException(
                    "demo round not understood: " + read.complaints().byField());
        }
        rounds.keep(id, amp, read.takenAt(), read.state(), note, read.readings());
    }

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(("demo/" + name).getBytes(StandardCharsets.UTF_8));
    }
}
