package yellowrail.app.quickcheck;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.Grouping;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.MethodReader;
import yellowrail.app.forms.TubeName;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.RoundForm;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
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
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Answered;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundState;
import yellowrail.core.target.Target;

/** The amp and the round a quick check becomes: what was asked about one tube, for as many as stand beside it. */
record KeptCheck(CheckForm check, CheckReader.Read read, FieldErrors complaints) {
    private static final int MOST_TUBES = 8;

    /** Empty, with a sentence at its field, when the check does not describe an amp. */
    Optional<AmpDescription> amp(String ampName) {
        IdleQuestion question = read.question();
        StageFacts facts = question.stage();
        String name = AmpReader.name(ampName, complaints);
        Optional<SensingMethod> method = read.methodKnown() ? Optional.of(question.method()) : Optional.empty();
        method.filter(m -> !m.way().kept()).ifPresent(m -> AmpReader.ofOneOccasion(complaints));
        if (facts.type().isEmpty()) {
            TubeName asked =
                    read.lookup().flatMap(TubeName::notOne).orElse(new TubeName("Which tube type is it?", List.of()));
            complaints.add("tube", asked.sentence(), asked.designations());
        }
        if (complaints.any() || method.isEmpty() || facts.type().isEmpty()) {
            return Optional.empty();
        }
        List<Socket> sockets = sockets(method.get(), facts);
        List<SenseGroup> groups = groups(method.get(), sockets, facts);
        if (complaints.any()) {
            return Optional.empty();
        }
        Optional<Double> screenOhms = question.screen() instanceof ScreenCurrent.Measured measured
                ? Optional.of(measured.resistor().markedOhms())
                : Optional.empty();
        ControlLayout controls = !method.get().tellsCathodeVolts()
                ? ControlLayout.NONE
                : method.get().tubes() > 1 ? ControlLayout.CATHODE_SHARED : ControlLayout.CATHODE_OWN;
        return Optional.of(new AmpDescription(
                name,
                new StageLayout(facts.topology(), facts.connection(), read.tap(), sockets, screenOhms),
                new Bias(facts.bias(), controls),
                groups,
                new Supply(mains(question), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                judging(question),
                ""));
    }

    private static boolean halves(SensingMethod method, StageFacts facts) {
        return method.halfPrimaryOhms().isPresent() && facts.topology() == Topology.PUSH_PULL;
    }

    private static List<Socket> sockets(SensingMethod method, StageFacts facts) {
        boolean pair = facts.topology() == Topology.PUSH_PULL;
        int behind = method.tubes();
        int count = Math.min(MOST_TUBES, halves(method, facts) ? 2 * behind : Math.max(behind, pair ? 2 : 1));
        List<Socket> sockets = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Socket.Side side = pair && i >= (count + 1) / 2 ? Socket.Side.B : Socket.Side.A;
            sockets.add(new Socket(
                    "V" + (i + 1), 1, side, facts.type().orElseThrow().designation()));
        }
        return sockets;
    }

    /** The first point was read; others like it have no measured resistance of their own yet. */
    private List<SenseGroup> groups(SensingMethod method, List<Socket> sockets, StageFacts facts) {
        Grouping grouping = method.halfPrimaryOhms().isPresent()
                ? Grouping.SIDE
                : method.tubes() > 1 ? Grouping.ALL : Grouping.TUBE;
        Map<String, String> unmeasured = new LinkedHashMap<>(check.sensing());
        method.way().parameters().stream()
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY_OF_POINT)
                .map(Parameter::name)
                .forEach(unmeasured::remove);
        List<SenseGroup> groups = new ArrayList<>();
        grouping.points(sockets)
                .forEach((name, behind) -> (groups.isEmpty()
                                ? Optional.of(method)
                                : new MethodReader(unmeasured, facts.connection(), read.tap(), complaints)
                                        .read(check.text(CheckFields.METHOD)))
                        .ifPresent(m -> groups.add(new SenseGroup(name, behind, m))));
        return groups;
    }

    /** As typed, else ten per cent either way in whole tenths of a volt, as an amp's form shows them. */
    private static Mains mains(IdleQuestion question) {
        Mains asked = question.circumstances().mains().orElseThrow();
        return new Mains(
                Optional.empty(),
                asked.nominal(),
                Math.round(9 * asked.nominal()) / 10.0,
                Math.round(1000 * asked.highest()) / 1000.0);
    }

    /** A window typed for one check is no named target; the maker's figure is. */
    private Judging judging(IdleQuestion question) {
        Optional<Double> ceiling =
                check.text(CheckFields.CEILING).isEmpty() ? Optional.empty() : Optional.of(question.ceiling());
        return switch (check.text(CheckFields.TARGET)) {
            case "own" -> new Judging("", ceiling, "", "");
            case "maker" -> new Judging(Target.MakersFigure.NAME, ceiling, "", check.text(CheckFields.MAKER));
            default -> new Judging(check.text(CheckFields.TARGET), ceiling, "", "");
        };
    }

    RoundState state() {
        IdleQuestion question = read.question();
        return new RoundState(
                question.meter(),
                question.plate().reference(),
                Answered.of(check.read(CheckFields.LIMITER, complaints)),
                Answered.of(check.read(CheckFields.REDUCED, complaints)),
                Answered.of(check.read(CheckFields.APART, complaints)),
                question.circumstances().spread());
    }

    List<Reading> readings(UUID round, AmpDescription amp, OffsetDateTime at) {
        IdleQuestion question = read.question();
        String socket = amp.sockets().get(0).name();
        List<Reading> readings = new ArrayList<>();
        add(readings, round, Quantity.MAINS, "", read.mains(), at);
        add(readings, round, Quantity.PLATE, socket, question.plate().volts(), at);
        add(readings, round, Quantity.CURRENT, amp.groups().get(0).name(), question.reading(), at);
        add(readings, round, Quantity.SCREEN, socket, question.screenVolts(), at);
        if (question.screen() instanceof ScreenCurrent.Measured measured) {
            add(readings, round, Quantity.SCREEN_DROP, socket, Optional.of(measured.drop()), at);
        }
        if (!amp.bias().scheme().fixed() && !amp.groups().get(0).method().tellsCathodeVolts()) {
            add(readings, round, Quantity.CATHODE, socket, question.plate().cathodeVolts(), at);
        }
        return readings;
    }

    /** The id follows from the round's, so that a repeated request stores once. */
    private static void add(
            List<Reading> readings,
            UUID round,
            Quantity quantity,
            String point,
            Optional<Typed> typed,
            OffsetDateTime at) {
        typed.ifPresent(t -> readings.add(Reading.of(
                UUID.nameUUIDFromBytes((round + "/" + RoundForm.key(quantity, point)).getBytes(StandardCharsets.UTF_8)),
                round,
                readings.size(),
                quantity,
                point,
                t,
                at)));
    }
}
