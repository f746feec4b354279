package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.Round;
import yellowrail.app.rounds.RoundStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.idle.ReadIdle;
import yellowrail.core.judging.Known;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.stage.Copper;
import yellowrail.core.stage.ReadRound;
import yellowrail.core.stage.ScaleEstimate;
import yellowrail.core.stage.ScreenFeed;
import yellowrail.core.stage.SupplyEstimate;

/** Fills a stage from an amp's description and rounds, and says where each figure comes from. */
@Component
public class FromAmp {
    private static final double LEAST_IDLE = 0.05;
    private static final double MOST_IDLE = 1.5;

    private final RoundStore rounds;
    private final StageTypes types;

    FromAmp(RoundStore rounds, StageTypes types) {
        this.rounds = rounds;
        this.types = types;
    }

    public AmpStage of(Amp amp, int channel) {
        return new Filling(amp, channel).filled();
    }

    /** The filling of one amp's channel. */
    private final class Filling {
        private final Amp amp;
        private final int channel;
        private final AmpDescription a;
        private final List<Socket> sockets;
        private final int channels;
        private final Map<String, String> texts = new LinkedHashMap<>();
        private final Map<String, List<Double>> figures = new LinkedHashMap<>();
        private final List<String> notes = new ArrayList<>();
        private String missing = "";
        private double halfOhms;
        private boolean copperRead;
        private SupplyEstimate supply;
        private String leftOut = "";
        private List<Known> read = List.of();
        /** What an amp never tells, and then what this one does not. */
        private final Set<String> assumed =
                new HashSet<>(Set.of("secondary", "loadFactor", "mains", "margin", "clean", "readings"));

        Filling(Amp amp, int channel) {
            this.amp = amp;
            this.channel = channel;
            this.a = amp.description();
            this.channels =
                    (int) a.sockets().stream().map(Socket::channel).distinct().count();
            this.sockets = inOrder(a, channel);
            texts.putAll(StageForm.USUAL);
        }

        AmpStage filled() {
            if (sockets.isEmpty()) {
                return none("this channel has no socket");
            }
            List<String> types =
                    sockets.stream().map(Socket::tubeType).distinct().toList();
            if (types.size() > 1) {
                return none("two tube types stand in one stage, " + String.join(" and ", types)
                        + ": such a stage is not computed");
            }
            boolean pushPull = a.stage().topology() == Topology.PUSH_PULL;
            long sideA = sockets.stream().filter(s -> s.side() == Socket.Side.A).count();
            if (pushPull && 2 * sideA != sockets.size()) {
                return none("its sides hold " + sideA + " and " + (sockets.size() - sideA)
                        + " tubes: only equal sides are computed");
            }
            Optional<TubeFacts> tube =
                    FromAmp.this.types.typed(types.get(0), a.judging().system());
            texts.put("tube", types.get(0));
            texts.put("judge", a.judging().system());
            texts.put("tubes", String.valueOf(sockets.size()));
            texts.put("topology", pushPull ? "pp" : "se");
            texts.put(
                    "connection",
                    switch (a.stage().connection()) {
                        case PENTODE -> "pentode";
                        case ULTRALINEAR -> "ul";
                        case TRIODE -> "triode";
                    });
            texts.put("tap", Show.plain(100 * a.stage().tap(), 3) + " %");
            texts.put(
                    "highest", Show.fixed(100 * a.mains().highest() / a.mains().nominal(), 0) + " %");
            bias();
            load();
            screenResistor();
            if (tube.isEmpty()) {
                miss("no curves are known of " + types.get(0));
            }
            List<Round> all = rounds.rounds(amp.id());
            List<Round> usable = AmpReadings.usable(all, sockets);
            leftOut = AmpReadings.leftOut(all, usable);
            if (!leftOut.isEmpty()) {
                notes.add(leftOut.strip());
            }
            if (usable.isEmpty()) {
                miss("no round holds volts and current of every tube without a limiter");
                texts.put("supply", "");
                notes.add("No round with volts and current of every tube yet: B+ is to be typed, its source resistance"
                        + " of 100 Ω is assumed.");
                texts.put("source", "100 Ω");
                assumed.addAll(Set.of("source", "feed", "screens", "scales", "offsets", "idle"));
            } else {
                readings(usable, tube);
            }
            StageForm form = StageForm.from(texts::get).of(figures);
            return new AmpStage(
                    form,
                    strict(form),
                    notes,
                    AmpReadings.points(usable, sockets),
                    missing,
                    channels,
                    read,
                    assumed,
                    leftOut);
        }

        private AmpStage none(String why) {
            miss(why);
            StageForm form = StageForm.from(texts::get);
            return new AmpStage(form, form, notes, List.of(), missing, channels, read, assumed, "");
        }

        private StageForm strict(StageForm form) {
            StageForm strict = copperRead ? form : form.with("rdc", "0 Ω");
            if (supply == null || supply.told()) {
                return strict;
            }
            Map<String, List<Double>> stiff = new LinkedHashMap<>(figures);
            stiff.put("supply", List.of(supply.voltsLoaded()));
            stiff.put("source", List.of(0.0));
            return strict.with("supply", Show.plain(supply.voltsLoaded(), 4) + " V")
                    .with("source", "0 Ω")
                    .of(stiff);
        }

        private void put(String name, String text, double... values) {
            texts.put(name, text);
            figures.put(name, Arrays.stream(values).boxed().toList());
        }

        private void miss(String why) {
            missing = missing.isEmpty() ? why : missing + "; " + why;
        }

        private void bias() {
            texts.put(
                    "bias",
                    switch (a.bias().scheme()) {
                        case CATHODE -> "cathode";
                        case MIXED -> "mixed";
                        case FIXED_TRACKING -> "tracking";
                        case FIXED_CONSTANT -> "constant";
                        case FIXED_UNKNOWN -> "unknown";
                    });
            if (a.bias().scheme() == BiasScheme.FIXED_UNKNOWN) {
                notes.add(
                        "Whether the grid supply follows the mains is not known: it is judged for both, and pictures show"
                                + " it held constant.");
            }
            SensingMethod method = a.groupOf(sockets.get(0).name()).method();
            if (method.tellsCathodeVolts()) {
                boolean whole = method.tubes() == sockets.size() && sockets.size() > 1;
                double fitted = method.element().orElseThrow().ohms();
                double ohms = whole ? fitted : fitted * method.tubes();
                String text = Show.plain(ohms, 4) + " Ω";
                texts.put(a.bias().scheme() == BiasScheme.MIXED ? "cathode" : "at", text);
                texts.put("shared", whole ? "shared" : "own");
                if (!whole && method.tubes() > 1) {
                    notes.add("A cathode resistor shared by " + method.tubes() + " of " + sockets.size()
                            + " tubes is computed as one of " + text + " at each.");
                }
            } else {
                assumed.addAll(Set.of("at", "cathode", "shared"));
            }
            if (!method.tellsCathodeVolts() && a.bias().scheme() == BiasScheme.MIXED) {
                texts.put("cathode", "");
                miss("the cathode resistor's ohms are not in the description");
            }
        }

        private void load() {
            Optional<Double> load = a.output().plateToPlateOhms();
            texts.put("load", load.map(z -> Show.plain(z, 4) + " Ω").orElse(""));
            load.ifPresent(z -> figures.put("load", List.of(z)));
            if (load.isEmpty()) {
                miss("the reflected load is not in the description");
                notes.add("The reflected load is not in the description: type it.");
            }
            for (Socket socket : sockets) {
                Optional<Typed> cold = a.groupOf(socket.name()).method().halfPrimaryOhms();
                if (cold.isPresent()) {
                    halfOhms = cold.get().value();
                    copperRead = true;
                    texts.put("rdc", cold.get().echo());
                    notes.add("Half primary as measured cold.");
                    return;
                }
            }
            assumed.add("rdc");
            halfOhms = Copper.assumedOhms(load.orElse(0.0), a.stage().topology());
            texts.put("rdc", Show.significant(halfOhms, 2) + " Ω");
            notes.add("The winding's copper was not measured: " + Show.plain(100 * Copper.SHARE, 2)
                    + " % of the load for each half is assumed.");
        }

        private void screenResistor() {
            texts.put("rg2", Show.plain(a.stage().screenOhms().orElse(0.0), 4) + " Ω");
            if (a.stage().screenOhms().isEmpty()) {
                notes.add(
                        "Screen resistors are not in the description: none are taken, which is the hotter for screens.");
            }
            texts.put("feed", "0 Ω");
            texts.put("screens", "");
        }

        private void readings(List<Round> usable, Optional<TubeFacts> tube) {
            List<ReadRound> all =
                    usable.stream().map(r -> AmpReadings.of(r, sockets)).toList();
            Round newest = usable.get(usable.size() - 1);
            if (all.get(all.size() - 1).mains().isEmpty()) {
                // Taken at low mains, these volts would make a target that is too hot at nominal.
                miss("the newest round has no mains reading, so its volts and idle at nominal mains are not known");
            }
            double series = halfOhms / (a.stage().topology() == Topology.PUSH_PULL ? 2 : 1);
            supply = SupplyEstimate.of(all, series / channels);
            put("supply", Show.plain(supply.volts(), 4) + " V", supply.volts());
            put("source", Show.plain(supply.ohms() * channels, 3) + " Ω", supply.ohms() * channels);
            notes.add(supply.how()
                    + (channels > 1
                            ? " One channel alone draws " + (channels == 2 ? "half" : "its part")
                                    + " of the current: its share of that resistance counts " + channels + "-fold."
                            : ""));
            screens(all.get(all.size() - 1), newest);
            tube.ifPresent(t -> {
                ScaleEstimate scales = ScaleEstimate.of(t.curves().model(), all);
                put(
                        "scales",
                        scales.scales().stream().map(s -> Show.fixed(s, 3)).collect(Collectors.joining(" ")),
                        scales.scales().stream().mapToDouble(s -> s).toArray());
                notes.add(scales.how());
                idle(all.get(all.size() - 1), t);
            });
            offsets(all.get(all.size() - 1));
            asRead(newest);
        }

        /** What was read last stands for the idle where nothing of it is in doubt. */
        private void asRead(Round newest) {
            read = ReadIdle.of(AmpReadings.answers(newest, sockets).values().stream()
                    .map(SocketAnswer::answer)
                    .toList());
            if (!read.isEmpty()) {
                texts.put("readings", OwnReadings.name(amp.id(), channel));
                notes.add("Idle figures are those read last, with the meter's errors, not the model's.");
            }
        }

        /** What lies between B+ and the screens, when the screens were read. */
        private void screens(ReadRound last, Round newest) {
            boolean read = last.tubes().stream().allMatch(t -> t.screenVolts().isPresent());
            if (!texts.get("connection").equals("pentode")) {
                return;
            }
            if (!read) {
                assumed.addAll(Set.of("feed", "screens"));
                notes.add("Screens were not read: they are fed from B+ without a drop.");
                return;
            }
            double amperes = AmpReadings.answers(newest, sockets).values().stream()
                    .mapToDouble(
                            s -> s.answer().screenAmperes().map(e -> e.value()).orElse(0.0))
                    .sum();
            ScreenFeed feed =
                    ScreenFeed.of(last, amperes, a.stage().screenOhms().orElse(0.0));
            if (feed.own()) {
                put("screens", Show.plain(feed.ownVolts(), 4) + " V", feed.ownVolts());
            } else {
                put("feed", Show.plain(feed.ohms(), 2) + " Ω", feed.ohms());
            }
            notes.add(feed.how());
        }

        /** Grids read apart from their mean stand apart in the stage too. */
        private void offsets(ReadRound last) {
            if (a.bias().scheme() == BiasScheme.CATHODE || last.gridsApart().isEmpty()) {
                return;
            }
            put(
                    "offsets",
                    last.gridsApart().stream().map(v -> Show.fixed(v, 2)).collect(Collectors.joining(" ")),
                    last.gridsApart().stream().mapToDouble(v -> v).toArray());
            notes.add("Grids as read, each against their mean.");
        }

        private void idle(ReadRound last, TubeFacts tube) {
            double share = last.idleWatts(a.bias().scheme()) / tube.plateWatts();
            double shown = Math.max(LEAST_IDLE, Math.min(MOST_IDLE, share));
            put("idle", Show.fixed(100 * shown, 1), 100 * shown);
            notes.add("Idle of the hottest tube as read last"
                    + (last.mains().isEmpty() ? "." : ", carried to nominal mains.")
                    + (shown == share
                            ? ""
                            : " That is " + Show.fixed(100 * share, 0) + " % of the rating, further than is computed: "
                                    + Show.fixed(100 * shown, 0) + " % stands here.")
                    + (texts.get("at").isEmpty() ? "" : " With a typed bias the idle follows from that."));
        }
    }

    /** Sockets of a channel as a stage counts its tubes: sides in turn. */
    private static List<Socket> inOrder(AmpDescription a, int channel) {
        List<Socket> all =
                a.sockets().stream().filter(s -> s.channel() == channel).toList();
        if (a.stage().topology() != Topology.PUSH_PULL) {
            return all;
        }
        List<Socket> one = all.stream().filter(s -> s.side() == Socket.Side.A).toList();
        List<Socket> other = all.stream().filter(s -> s.side() == Socket.Side.B).toList();
        List<Socket> turn = new ArrayList<>();
        for (int i = 0; i < Math.max(one.size(), other.size()); i++) {
            if (i < one.size()) {
                turn.add(one.get(i));
            }
            if (i < other.size()) {
                turn.add(other.get(i));
            }
        }
        return turn;
    }
}
