package yellowrail.core.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.CauseFound;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Moved;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.events.Voided;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;
import yellowrail.planted.PlantedAmps;
import yellowrail.planted.Script.Evening;
import yellowrail.planted.Step;

/** Plays a planted evening against the core alone. */
final class Evenings {
    private static final long BEGIN = 1_790_000_000_000L;

    private final AmpDescription amp;
    final Session session;
    final JudgingBasis standards;
    final long now;

    private Evenings(Evening evening) {
        this(evening, Setup.WHOLE);
        for (Step step : evening.steps()) {
            Optional<String> refused = take(step);
            if (refused.isPresent() && !step.tried()) {
                throw new AssertionError(evening + ": " + step + " was refused: " + refused.get());
            }
        }
    }

    /** An evening that is still to be played, step by step, worked in this way. */
    Evenings(Evening evening, Setup setup) {
        this.amp = PlantedAmps.of(evening.amp());
        this.session =
                new Session(Plan.usual(amp, Purpose.YEARLY_CHECK, Meter.FINE).worked(setup));
        this.standards = new JudgingBasis(types(amp), Profiles.SHIPPED, Optional.empty());
        this.now = BEGIN + evening.end();
    }

    /** Takes one step, or says why it is refused. */
    Optional<String> take(Step step) {
        Entry entry = new Entry(step.id(), BEGIN + step.at(), step.device(), event(step, amp));
        Optional<String> refused = session.refusal(entry);
        if (refused.isEmpty()) {
            session.apply(entry);
        }
        return refused;
    }

    static Evenings play(Evening evening) {
        return new Evenings(evening);
    }

    Outcome outcome() {
        return Outcome.of(session, standards);
    }

    private static Map<String, TubeType> types(AmpDescription amp) {
        String type = amp.sockets().get(0).tubeType();
        return Map.of(type, ((Lookup.Found) Catalogue.shipped().find(type)).type());
    }

    private static Event event(Step step, AmpDescription amp) {
        Map<String, String> f = step.fields();
        return switch (step.kind()) {
            case "declare" -> new Declared(Power.valueOf(f.get("power")));
            case "enter" -> new Entered(Stops.RAIL.stop(f.get("stop")).orElseThrow());
            case "skip" -> new Skipped(Stops.RAIL.stop(f.get("stop")).orElseThrow(), f.get("reason"));
            case "tick" ->
                new Ticked(
                        Stops.RAIL.check(f.get("check")).orElseThrow(),
                        f.get("point"),
                        f.get("done").equals("yes"));
            case "limiter" -> new LimiterSet(f.get("on").equals("yes"));
            case "turn" -> new Turned(f.get("control"), Optional.empty(), "");
            case "exchange" -> new Exchanged(f.get("a"), f.get("b"));
            case "place" -> new Placed(f.get("socket"), f.get("tube"));
            case "change" -> new Changed(f.get("what"), "", "", "");
            case "stop" -> new EmergencyStop(f.get("what"));
            case "resume" -> new Resumed(f.get("found"));
            case "cause" -> new CauseFound(f.get("finding"), f.get("fact"));
            case "void" -> new Voided(f.get("reading"), f.get("reason"));
            case "move" -> new Moved(f.get("reading"), f.get("point"), f.get("reason"));
            case "sign" -> new SignedOff(f.get("by"), "");
            default -> read(f, amp);
        };
    }

    private static Event read(Map<String, String> f, AmpDescription amp) {
        Quantity quantity = Quantity.valueOf(f.get("quantity"));
        String point = f.get("point");
        List<Field> ofGroup = amp.groups().stream()
                .filter(g -> quantity == Quantity.CURRENT && g.name().equals(point))
                .map(g -> g.method().field())
                .toList();
        Field field = ofGroup.isEmpty() ? quantity.field() : ofGroup.get(0);
        Typed typed = MeterText.understand(f.get("text"), field).value().orElseThrow();
        return new Read(quantity, point, typed, f.getOrDefault("supersedes", ""), f.getOrDefault("reason", ""));
    }
}
