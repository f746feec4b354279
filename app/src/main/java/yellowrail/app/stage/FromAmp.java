package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.Amp;
import yellowrail.app.forms.FieldSpec;
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
import yellowrail.core.tube.Connection;

/** Fills a stage from an amp's description and rounds, and says where each figure comes from. */
@Component
public class FromAmp {
    private static final double LEAST_IDLE = 0.05;
    private static final double MOST_IDLE = 1.5;
    private static final double ASSUMED_SOURCE_OHMS = 100;

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
        private StageForm form = StageForm.from(name -> null);
        private final List<String> notes = new ArrayList<>();
        private String missing = "";
        private double halfOhms;
        private boolean copperRead;
        private SupplyEstimate supply;
        private String leftOut = "";
        private List<Known> read = List.of();
        /** What an amp never tells, and then what this one does not. */
        private final Set<FieldSpec<?>> assumed = new HashSet<>(Set.of(
                StageFields.SECONDARY,
                StageFields.LOAD_FACTOR,
                StageFields.MAINS,
                StageFields.MARGIN,
                StageFields.CLEAN,
                StageFields.READINGS));

        Filling(Amp amp, int channel) {
            this.amp = amp;
            this.channel = channel;
            this.a = amp.description();
            this.channels =
                    (int) a.sockets().stream().map(Socket::channel).distinct().count();
            this.sockets = inOrder(a, channel);
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
            form = form.known(StageFields.TUBE, types.get(0))
                    .said(StageFields.JUDGE, a.judging().system())
                    .known(StageFields.TUBES, Optional.of(sockets.size()))
                    .known(StageFields.TOPOLOGY, a.stage().topology())
                    .known(StageFields.CONNECTION, a.stage().connection())
                    .known(StageFields.TAP, a.stage().tap())
                    .known(StageFields.DUTY, a.judging().duty())
                    .known(StageFields.HIGHEST, a.mains().highest() / a.mains().nominal());
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
                blank(StageFields.SUPPLY);
                notes.add("No round with volts and current of every tube yet: B+ is to be typed, its source resistance"
                        + " of 100 Ω is assumed.");
                form = form.known(StageFields.SOURCE, ASSUMED_SOURCE_OHMS);
                assume(
                        StageFields.SOURCE,
                        StageFields.FEED,
                        StageFields.SCREENS,
                        StageFields.SCALES,
                        StageFields.OFFSETS,
                        StageFields.IDLE);
            } else {
                readings(usable, tube);
            }
            return new AmpStage(
                    form,
                    strict(),
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
            return new AmpStage(form, form, notes, List.of(), missing, channels, read, assumed, "");
        }

        private StageForm strict() {
            StageForm strict = copperRead ? form : form.known(StageFields.COPPER, 0.0);
            return supply == null || supply.told()
                    ? strict
                    : strict.known(StageFields.SUPPLY, supply.voltsLoaded()).known(StageFields.SOURCE, 0.0);
        }

        private void blank(FieldSpec<?> field) {
            form = form.said(field, "");
        }

        private void assume(FieldSpec<?>... fields) {
            assumed.addAll(List.of(fields));
        }

        private void miss(String why) {
            missing = missing.isEmpty() ? why : missing + "; " + why;
        }

        private void bias() {
            form = form.known(StageFields.BIAS, a.bias().scheme());
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
                form = (a.bias().scheme() == BiasScheme.MIXED
                                ? form.known(StageFields.CATHODE, ohms)
                                : form.known(StageFields.AT_OHMS, Optional.of(ohms)))
                        .known(StageFields.SHARED, whole);
                if (!whole && method.tubes() > 1) {
                    notes.add("A cathode resistor shared by " + method.tubes() + " of " + sockets.size()
                            + " tubes is computed as one of " + Show.plain(ohms, 4) + " Ω at each.");
                }
            } else {
                assume(StageFields.AT, StageFields.CATHODE, StageFields.SHARED);
            }
            if (!method.tellsCathodeVolts() && a.bias().scheme() == BiasScheme.MIXED) {
                blank(StageFields.CATHODE);
                miss("the cathode resistor's ohms are not in the description");
            }
        }

        private void load() {
            Optional<Double> load = a.output().plateToPlateOhms();
            load.ifPresent(z -> form = form.known(StageFields.LOAD, z));
            if (load.isEmpty()) {
                blank(StageFields.LOAD);
                miss("the reflected load is not in the description");
                notes.add("The reflected load is not in the description: type it.");
            }
            for (Socket socket : sockets) {
                Optional<Typed> cold = a.groupOf(socket.name()).method().halfPrimaryOhms();
                if (cold.isPresent()) {
                    halfOhms = cold.get().value();
                    copperRead = true;
                    form = form.said(StageFields.COPPER, cold.get().echo());
                    notes.add("Half primary as measured cold.");
                    return;
                }
            }
            assume(StageFields.COPPER);
            halfOhms = Copper.assumedOhms(load.orElse(0.0), a.stage().topology());
            form = form.said(StageFields.COPPER, Show.significant(halfOhms, 2) + " Ω");
            notes.add("The winding's copper was not measured: " + Show.plain(100 * Copper.SHARE, 2)
                    + " % of the load for each half is assumed.");
        }

        private void screenResistor() {
            form = form.known(
                    StageFields.SCREEN_RESISTORS, List.of(a.stage().screenOhms().orElse(0.0)));
            if (a.stage().screenOhms().isEmpty()) {
                notes.add(
                        "Screen resistors are not in the description: none are taken, which is the hotter for screens.");
            }
            form = form.known(StageFields.FEED, 0.0).known(StageFields.SCREENS, Optional.empty());
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
            form = form.known(StageFields.SUPPLY, supply.volts()).known(StageFields.SOURCE, supply.ohms() * channels);
            notes.add(supply.how()
                    + (channels > 1
                            ? " One channel alone draws " + (channels == 2 ? "half" : "its part")
                                    + " of the current: its share of that resistance counts " + channels + "-fold."
                            : ""));
            screens(all.get(all.size() - 1), newest);
            tube.ifPresent(t -> {
                ScaleEstimate scales = ScaleEstimate.of(t.curves().model(), all);
                form = form.known(StageFields.SCALES, scales.scales());
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
                form = form.known(StageFields.READINGS, Optional.of(new OwnReadings.Whose(amp.id(), channel)));
                notes.add("Idle figures are those read last, with the meter's errors, not the model's.");
            }
        }

        /** What lies between B+ and the screens, when the screens were read. */
        private void screens(ReadRound last, Round newest) {
            boolean read = last.tubes().stream().allMatch(t -> t.screenVolts().isPresent());
            if (a.stage().connection() != Connection.PENTODE) {
                return;
            }
            if (!read) {
                assume(StageFields.FEED, StageFields.SCREENS);
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
                form = form.known(StageFields.SCREENS, Optional.of(feed.ownVolts()));
            } else {
                form = form.known(StageFields.FEED, feed.ohms());
            }
            notes.add(feed.how());
        }

        /** Grids read apart from their mean stand apart in the stage too. */
        private void offsets(ReadRound last) {
            if (a.bias().scheme() == BiasScheme.CATHODE || last.gridsApart().isEmpty()) {
                return;
            }
            form = form.known(StageFields.OFFSETS, last.gridsApart());
            notes.add("Grids as read, each against their mean.");
        }

        private void idle(ReadRound last, TubeFacts tube) {
            double share = last.idleWatts(a.bias().scheme()) / tube.plateWatts();
            double shown = Math.max(LEAST_IDLE, Math.min(MOST_IDLE, share));
            form = form.known(StageFields.IDLE, shown);
            notes.add("Idle of the hottest tube as read last"
                    + (last.mains().isEmpty() ? "." : ", carried to nominal mains.")
                    + (shown == share
                            ? ""
                            : " That is " + Show.fixed(100 * share, 0) + " % of the rating, further than is computed: "
                                    + Show.fixed(100 * shown, 0) + " % stands here.")
                    + (form.text(StageFields.AT).isEmpty() ? "" : " With a typed bias the idle follows from that."));
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
