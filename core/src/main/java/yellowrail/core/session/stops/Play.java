package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Access;
import yellowrail.core.session.Check;
import yellowrail.core.session.OutputPower;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** Played loud, and looked at. */
public final class Play extends Stop {
    private static final Check.Rule HERE_UNDER_POWER = (s, point, now) -> DrainAndClose.only(s, Stops.PLAY)
            .or(() -> s.power(now) != Power.ON_TUBES_IN
                    ? Optional.of("This is seen under power, with the tubes in.")
                    : Optional.empty());

    public static final Check GLOW_IDLE = Check.of("GLOW_IDLE", "At idle, in the dark, no plate glows.")
            .holding(Check.Holds.OF_SETTING)
            .onlyIf(HERE_UNDER_POWER);
    public static final Check GLOW_LOUD = Check.of("GLOW_LOUD", "Played loud, no plate glows.")
            .holding(Check.Holds.OF_SETTING)
            .onlyIf(HERE_UNDER_POWER);

    Play() {
        super("PLAY", "Play");
    }

    @Override
    public boolean belongs(Session session) {
        return session.access() != Access.TEST_POINTS;
    }

    @Override
    public boolean plays() {
        return true;
    }

    @Override
    public List<Check> checks() {
        return List.of(GLOW_IDLE, GLOW_LOUD);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        List<ReadingGroup> groups = new ArrayList<>();
        groups.add(ReadingGroup.of("Output", Readings.ofAmp(Quantity.OUTPUT_VOLTS, "AC volts across the load")));
        groups.addAll(Readings.usual(look));
        return groups;
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        checks().forEach(c -> c.require(session, missing));
        return missing;
    }

    @Override
    public List<Remark> remarks(Look look) {
        return OutputPower.of(look.session()).map(p -> Remark.open("output-power", "", p.sentence())).stream()
                .toList();
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of("Never open the load with a signal on it, and keep loud tests short: speakers and ears.");
    }

    @Override
    public String note(Session session) {
        return "look for glowing plates";
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(
                Tool.POWER_TUBES_IN,
                Tool.LIMITER,
                Tool.TUBES_NOW,
                Tool.DRIFT_CHART,
                Tool.LISTENING,
                Tool.LISTENING_FIRST);
    }
}
