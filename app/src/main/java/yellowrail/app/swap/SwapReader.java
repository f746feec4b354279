package yellowrail.app.swap;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.TubeName;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.TubeFacts;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.swap.BiasChange;
import yellowrail.core.swap.Chassis;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.swap.Present;
import yellowrail.core.swap.SwapCandidate;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.TubeType;

/** Reads a typed swap, or says at each field what is wrong with it. */
@Component
class SwapReader {
    private static final double USUAL_TAP = 0.43;
    private static final double MOST_IDLE = 1.1;

    private final TubeFactsOf facts;
    private final TubeStore tubes;
    private final CurvesStore curves;

    SwapReader(TubeFactsOf facts, TubeStore tubes, CurvesStore curves) {
        this.facts = facts;
        this.tubes = tubes;
        this.curves = curves;
    }

    /**
     * What was read.
     *
     * @param present empty when the stage is not understood
     * @param wanted idle share; empty when something around the tubes is not understood
     * @param idleAsked whether it was typed
     * @param unusual what is unusual of the stage and was confirmed
     * @param asked a question for each candidate that is understood, by its place
     */
    record Read(
            Optional<Present> present,
            Optional<Double> wanted,
            boolean idleAsked,
            List<String> unusual,
            Map<Integer, SwapQuestion> asked,
            Chassis chassis,
            Map<String, FieldErrors.Complaint> said) {}

    Read read(OnStage form) {
        FieldErrors complaints = new FieldErrors();
        TubeFactsOf.Answer tube = facts.of(form.stage());
        StageReader.Read stage = StageReader.read(form.stage(), tube);
        Chassis chassis = SwapFields.read(form, complaints);
        double lowest = form.read(SwapFields.LOWEST, complaints);
        Optional<Present> present = stage.setting()
                .map(s -> s.mains(1))
                .map(s -> present(tube.facts().orElseThrow(), s, form, lowest, stage));
        double wanted = form.read(SwapFields.WANTED, complaints)
                .orElseGet(
                        () -> present.map(p -> Math.min(MOST_IDLE, p.setting().idleShare()))
                                .orElse(MOST_IDLE));
        present.ifPresent(p -> sockets(p, chassis, complaints));
        stage.setting()
                .filter(s -> s.mains() != 1)
                .ifPresent(
                        s -> complaints.add(
                                "mains",
                                "The stage's mains slider stands at " + Show.plain(100 * s.mains(), 3)
                                        + " %: here limits are judged at lowest, nominal and highest mains. Set it back to 100."));
        Map<String, FieldErrors.Complaint> said = new LinkedHashMap<>(complaints.byField());
        stage.complaints().byField().forEach(said::putIfAbsent);
        Map<Integer, SwapQuestion> asked = new LinkedHashMap<>();
        for (CandidateFields.Candidate to : CandidateFields.typed(form)) {
            FieldErrors own = new FieldErrors();
            Optional<SwapCandidate> candidate = present.flatMap(p -> candidate(to, p, form, wanted, own));
            said.putAll(own.byField());
            // What is not understood is no answer: nothing is judged by half of one.
            if (candidate.isPresent() && !own.any() && !complaints.any()) {
                asked.put(to.place(), new SwapQuestion(present.orElseThrow(), chassis, candidate.get()));
            }
        }
        return new Read(
                present,
                complaints.any() ? Optional.empty() : Optional.of(wanted),
                !form.blank(SwapFields.WANTED),
                stage.unusual(),
                asked,
                chassis,
                said);
    }

    /** Pins that the present base does not have, and fewer sockets than tubes are in. */
    private static void sockets(Present present, Chassis chassis, FieldErrors complaints) {
        chassis.part(SocketWiring.class)
                .sockets()
                .filter(n -> n < tubesOf(present))
                .ifPresent(n -> complaints.add(
                        "sockets", tubesOf(present) + " tubes are in now, which takes as many sockets at least."));
        present.type()
                .pinout()
                .map(Pinout::base)
                .ifPresent(base -> chassis.part(SocketWiring.class)
                        .tied()
                        .ifPresent(tied -> tied.stream()
                                .filter(pin -> pin < 1 || pin > base.pins())
                                .sorted()
                                .findFirst()
                                .ifPresent(pin -> complaints.add(
                                        "tied",
                                        "A " + base.words() + " base has pins 1 to " + base.pins() + ", none of number "
                                                + pin + "."))));
    }

    private Present present(TubeFacts tube, StageSetting setting, OnStage form, double lowest, StageReader.Read stage) {
        TubeType type = type(tube.designation()).orElseThrow();
        return new Present(
                type,
                tube.ratings(),
                tube.curves().trust(),
                setting,
                form.stage().picked(StageFields.BIAS),
                lowest,
                stage.highest(),
                Math.min(1, stage.margin()),
                tube.read());
    }

    private Optional<TubeType> type(String name) {
        return tubes.catalogueOrLastKnown().find(name) instanceof Lookup.Found found
                ? Optional.of(found.type())
                : Optional.empty();
    }

    private Optional<SwapCandidate> candidate(
            CandidateFields.Candidate to, Present present, OnStage form, double wanted, FieldErrors complaints) {
        Lookup lookup = tubes.catalogueOrLastKnown().find(form.text(to.type()));
        if (!(lookup instanceof Lookup.Found found)) {
            TubeName name = TubeName.notOne(lookup).orElseThrow();
            complaints.add(to.type().name(), name.sentence(), name.designations());
            return Optional.empty();
        }
        BiasChange bias = form.read(to.bias(), complaints);
        Optional<Double> ohms = form.read(to.ohms(), complaints);
        complaints.counts(
                to.ohms().name(),
                form.text(to.ohms()),
                bias == BiasChange.AS_NOW ? present.scheme() == BiasScheme.CATHODE : !bias.fixed(),
                "with cathode bias");
        Connection then = form.read(to.wired(), complaints)
                .orElse(present.setting().described().connection());
        return Optional.of(of(
                found.type(),
                form.read(to.count(), complaints).orElse(tubesOf(present)),
                then,
                then == Connection.ULTRALINEAR ? tap(present, form, complaints) : USUAL_TAP,
                wanted,
                ohms,
                bias,
                form.read(to.sleeve(), complaints),
                !form.blank(SwapFields.WANTED)));
    }

    /** Of the ultralinear connection: as the stage has it, or as it is typed beside it. */
    private static double tap(Present present, OnStage form, FieldErrors complaints) {
        return present.setting().described().connection() == Connection.ULTRALINEAR
                ? present.setting().described().tap()
                : form.stage().read(StageFields.TAP, complaints);
    }

    private static int tubesOf(Present present) {
        return present.setting().described().tubes().size();
    }

    private SwapCandidate of(
            TubeType type,
            int count,
            Connection connection,
            double tap,
            double wanted,
            Optional<Double> ohms,
            BiasChange bias,
            Optional<Boolean> sleeve,
            boolean asked) {
        return new SwapCandidate(
                type,
                type.editions(Optional.empty()),
                curves.of(type.designation()),
                count,
                connection,
                tap,
                wanted,
                ohms,
                bias,
                sleeve,
                asked);
    }

    /** Every type of the catalogue in the place of the present one, all else as it is. */
    List<SwapQuestion> everyType(Read read) {
        // By half of an answer nothing is ranked either.
        return read.present()
                .filter(p -> read.wanted().isPresent())
                .map(p -> tubes.catalogueOrLastKnown().types().stream()
                        .map(t -> new SwapQuestion(
                                p,
                                read.chassis(),
                                of(
                                        t,
                                        tubesOf(p),
                                        p.setting().described().connection(),
                                        p.setting().described().tap(),
                                        read.wanted().orElseThrow(),
                                        Optional.empty(),
                                        BiasChange.AS_NOW,
                                        Optional.empty(),
                                        read.idleAsked())))
                        .toList())
                .orElse(List.of());
    }
}
