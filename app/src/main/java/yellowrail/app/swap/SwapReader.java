package yellowrail.app.swap;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.TubeName;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.TubeFacts;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.swap.BiasChange;
import yellowrail.core.swap.Chassis;
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
    private static final Field WANTED =
            Field.of("the idle", Unit.PERCENT, Prefix.NONE, 10, 110).aboveZero();
    private static final Field LOWEST =
            Field.of("lowest mains", Unit.PERCENT, Prefix.NONE, 75, 100).aboveZero();
    private static final Field RESISTOR =
            Field.of("the cathode resistor", Unit.OHM, Prefix.NONE, 10, 20e3).aboveZero();
    private static final Field TAP =
            Field.of("the tap", Unit.PERCENT, Prefix.NONE, 1, 99).aboveZero();
    private static final double USUAL_TAP = 0.43;
    private static final Map<String, Connection> WIRED =
            Map.of("pentode", Connection.PENTODE, "ul", Connection.ULTRALINEAR, "triode", Connection.TRIODE);
    private static final Map<String, BiasChange> BIASED = Map.of(
            "fixed", BiasChange.FIXED,
            "tracking", BiasChange.FIXED_TRACKING,
            "constant", BiasChange.FIXED_CONSTANT,
            "cathode", BiasChange.CATHODE,
            "each", BiasChange.CATHODE_EACH);
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
     * @param asked a question for each candidate that is understood, by its place
     */
    record Read(
            Optional<Present> present,
            Optional<Double> wanted,
            boolean idleAsked,
            Map<Integer, SwapQuestion> asked,
            Chassis chassis,
            Map<String, FieldErrors.Complaint> said) {}

    Read read(SwapForm form) {
        FieldErrors complaints = new FieldErrors();
        TubeFactsOf.Answer tube = facts.of(form.stage());
        StageReader.Read stage = StageReader.read(form.stage(), tube);
        Chassis chassis = SwapFields.read(form, complaints);
        double lowest = lowest(form, complaints);
        Optional<Present> present = stage.setting()
                .map(s -> s.mains(1))
                .map(s -> present(tube.facts().orElseThrow(), s, form, lowest, stage));
        double wanted = wanted(form, present, complaints);
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
        for (int place : form.places()) {
            FieldErrors own = new FieldErrors();
            Optional<SwapCandidate> candidate = present.flatMap(p -> candidate(place, p, form, wanted, own));
            said.putAll(own.byField());
            // What is not understood is no answer: nothing is judged by half of one.
            if (candidate.isPresent() && !own.any() && !complaints.any()) {
                asked.put(place, new SwapQuestion(present.orElseThrow(), chassis, candidate.get()));
            }
        }
        return new Read(
                present,
                complaints.any() ? Optional.empty() : Optional.of(wanted),
                !form.blank("wanted"),
                asked,
                chassis,
                said);
    }

    /** Pins that the present base does not have, and fewer sockets than tubes are in. */
    private static void sockets(Present present, Chassis chassis, FieldErrors complaints) {
        chassis.socket()
                .sockets()
                .filter(n -> n < tubesOf(present))
                .ifPresent(n -> complaints.add(
                        "sockets", tubesOf(present) + " tubes are in now, which takes as many sockets at least."));
        present.type()
                .pinout()
                .map(Pinout::base)
                .ifPresent(base -> chassis.socket()
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

    /** Lowest mains, share of nominal. */
    private static double lowest(SwapForm form, FieldErrors complaints) {
        double percent = complaints
                .quantity("lowest", form.text("lowest"), LOWEST)
                .map(Typed::value)
                .orElse(LOWEST.high());
        if (percent < LOWEST.low() || percent > LOWEST.high()) {
            complaints.add("lowest", "Lowest mains lie between 75 and 100 % of nominal.");
            return 1;
        }
        return percent / 100;
    }

    /** The idle wanted, share of the rating; as the present tubes idle where nothing is typed. */
    private static double wanted(SwapForm form, Optional<Present> present, FieldErrors complaints) {
        double asNow =
                present.map(p -> Math.min(MOST_IDLE, p.setting().idleShare())).orElse(MOST_IDLE);
        if (form.blank("wanted")) {
            return asNow;
        }
        if (form.text("wanted").strip().matches("[01]?[.,][0-9]+ *%?")) {
            String percent = Show.plain(
                    100
                            * Double.parseDouble(form.text("wanted")
                                    .replace('%', ' ')
                                    .replace(',', '.')
                                    .strip()),
                    4);
            complaints.add(
                    "wanted",
                    "“" + form.text("wanted") + "” of the rating: is " + percent + " % meant?",
                    List.of(percent + " %"));
            return asNow;
        }
        double share = complaints
                .quantity("wanted", form.text("wanted"), WANTED)
                .map(t -> t.value() / 100)
                .orElse(asNow);
        if (!(share > 0 && share <= MOST_IDLE)) {
            complaints.add("wanted", "An idle of up to 110 % of the plate rating can be asked for.");
            return asNow;
        }
        return share;
    }

    private Present present(
            TubeFacts tube, StageSetting setting, SwapForm form, double lowest, StageReader.Read stage) {
        TubeType type = type(tube.designation()).orElseThrow();
        BiasScheme scheme = switch (form.stage().text("bias")) {
            case "cathode" -> BiasScheme.CATHODE;
            case "mixed" -> BiasScheme.MIXED;
            case "constant" -> BiasScheme.FIXED_CONSTANT;
            case "tracking" -> BiasScheme.FIXED_TRACKING;
            default -> BiasScheme.FIXED_UNKNOWN;
        };
        return new Present(
                type,
                tube.ratings(),
                tube.curves().trust(),
                setting,
                scheme,
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
            int place, Present present, SwapForm form, double wanted, FieldErrors complaints) {
        String field = "to" + place;
        Lookup lookup = tubes.catalogueOrLastKnown().find(form.text(field));
        if (!(lookup instanceof Lookup.Found found)) {
            TubeName name = TubeName.notOne(lookup).orElseThrow();
            complaints.add(field, name.sentence(), name.designations());
            return Optional.empty();
        }
        BiasChange bias = complaints.pick("bias" + place, form.text("bias" + place), BIASED, BiasChange.AS_NOW);
        Optional<Double> ohms = form.blank("ohms" + place)
                ? Optional.empty()
                : complaints
                        .quantity("ohms" + place, form.text("ohms" + place), RESISTOR)
                        .map(Typed::value);
        complaints.counts(
                "ohms" + place,
                form.text("ohms" + place),
                bias == BiasChange.AS_NOW ? present.scheme() == BiasScheme.CATHODE : !bias.fixed(),
                "with cathode bias");
        Connection now = present.setting().described().connection();
        Connection then = complaints.pick("wired" + place, form.text("wired" + place), WIRED, now);
        return Optional.of(of(
                found.type(),
                complaints.count("count" + place, form.text("count" + place), 1, 8, tubesOf(present)),
                then,
                then == Connection.ULTRALINEAR ? tap(present, form, complaints) : USUAL_TAP,
                wanted,
                ohms,
                bias,
                complaints.yesNo("sleeve" + place, form.text("sleeve" + place)),
                !form.blank("wanted")));
    }

    /** Of the ultralinear connection: as the stage has it, or as it is typed beside it. */
    private static double tap(Present present, SwapForm form, FieldErrors complaints) {
        return present.setting().described().connection() == Connection.ULTRALINEAR
                ? present.setting().described().tap()
                : complaints
                        .quantity("tap", form.stage().text("tap"), TAP)
                        .map(t -> t.value() / 100)
                        .filter(t -> within(t, complaints))
                        .orElse(USUAL_TAP);
    }

    private static boolean within(double tap, FieldErrors complaints) {
        if (!(tap > 0 && tap < 1)) {
            complaints.add("tap", "An ultralinear tap lies between 0 and 100 %.");
            return false;
        }
        return true;
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
