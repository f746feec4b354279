package yellowrail.app.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import yellowrail.app.pictures.DriftChart;
import yellowrail.app.pictures.Statements;
import yellowrail.app.pictures.WattStrip;
import yellowrail.core.idle.Formula;
import yellowrail.core.session.Locks;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.events.Looked;
import yellowrail.core.session.events.Microphony;
import yellowrail.core.session.stops.Tool;

/** All that the session's page shows at one moment. */
record Panel(
        UUID id,
        UUID ampId,
        String amp,
        String purpose,
        int seq,
        String by,
        boolean stopped,
        boolean emergency,
        String power,
        String powerKey,
        Map<String, String> waits,
        boolean limiter,
        String mains,
        RailView rail,
        NextStep next,
        List<String> missing,
        boolean goesOn,
        List<String> cautions,
        List<Tick> ticks,
        List<Asks.Group> asks,
        List<Line> alarms,
        List<Line> findings,
        Locks locks,
        boolean chassisClosed,
        Opening opening,
        Optional<Adaptor> adaptor,
        List<Choice> sockets,
        List<Choice> nodes,
        List<Choice> controls,
        List<Choice> windows,
        List<TubeRow> tubes,
        Rounds rounds,
        List<Gap> notKnown,
        List<ReadingRow> log,
        Earlier earlier,
        Optional<DriftChart> chart,
        Turn turn,
        Optional<Listening> listening,
        Optional<ProofNow> proof,
        List<Found> found,
        Optional<Choice> mistake,
        Set<Tool> tools,
        Optional<List<String>> tiers,
        List<String> changes) {
    /** Whether the stop offers a tool of this name. */
    public boolean offers(String tool) {
        return tools.contains(Tool.valueOf(tool));
    }

    /**
     * Something to confirm.
     *
     * @param waits why it cannot be confirmed yet, or empty
     */
    record Tick(String check, String point, String words, boolean done, String waits) {}

    /** When the next reading of the soak is due, milliseconds since 1970, or null. */
    public Long due() {
        return proof.stream()
                .flatMap(now -> now.wants().stream())
                .map(Due::by)
                .filter(Objects::nonNull)
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    /** What a first look inside looks for. */
    public List<Choice> sights() {
        return Stream.of(Looked.Sight.values())
                .map(s -> new Choice(s.name(), s.words(), false))
                .toList();
    }

    /** How a tube answers a tap. */
    public List<Choice> grades() {
        return Stream.of(Microphony.Grade.values())
                .map(g -> new Choice(g.name(), g.words(), false))
                .toList();
    }

    /** What can be confirmed in one go: a list is read as a whole at the bench. */
    public boolean atOnce() {
        return ticks.stream()
                        .filter(t -> !t.done() && (t.waits().isEmpty() || declares()))
                        .count()
                > 1;
    }

    /** Whether “off and unplugged” is confirmed together with the rest. */
    public boolean declares() {
        return powerKey.equals("UNDECLARED") && !rail.here().powered();
    }

    /**
     * What could be opened further, and what is confirmed before tubes move.
     *
     * @param more whether the chassis is still closed
     * @param points whether nothing but test points is reached
     * @param asked whether cool tubes are asked for at the stop itself
     */
    record Opening(boolean more, boolean points, boolean asked, boolean cool) {}

    /**
     * The one adaptor.
     *
     * @param in where it is, or empty
     * @param next where it goes next, or empty
     * @param waits what moving it waits for, or empty
     */
    record Adaptor(String in, String next, String read, List<Choice> sockets, String waits) {}

    /** A finding with its tone. */
    record Line(String tone, String mark, String text) {}

    /** A choice of a list. */
    record Choice(String value, String words, boolean chosen) {}

    /** One tube as it stands now. */
    record TubeRow(
            String socket,
            String under,
            String watts,
            String percent,
            String verdict,
            String tone,
            String mark,
            Optional<WattStrip> strip,
            String provenance,
            String normalised,
            Statements statements,
            List<String> reasons,
            List<Formula> formulas) {}

    /** The rounds of the session. */
    record Rounds(List<String> points, List<RoundLine> lines, String supply) {}

    /** What is left out until it is asked for: readings and rounds before those shown. */
    record Earlier(int readings, int rounds) {}

    /** One round. */
    record RoundLine(int number, long at, List<String> currents, String volts, String mains, String verdict) {}

    /** Something not known yet. */
    record Gap(String what, String effect, String sentence) {}

    /**
     * A reading of the log.
     *
     * @param part whether a part of the panel begins with it: an old reading is not sent again with every new one
     */
    record ReadingRow(
            boolean part,
            String id,
            String what,
            String quantity,
            String point,
            String echo,
            String raw,
            long at,
            boolean holds,
            String reason,
            List<String> moveTo) {}

    /** The turn advised and what belongs to it. */
    record Turn(
            boolean toMiddle,
            String target,
            String control,
            String watched,
            String unit,
            Double stopAt,
            List<String> remarks,
            List<Formula> formulas,
            List<String> resistor) {}

    /** Settings listened to; values are empty while hidden. */
    record Listening(boolean hidden, String chosen, List<Setting> settings) {}

    /** One labelled setting. */
    record Setting(String label, String values, List<String> heard) {}

    /**
     * How far the session is from proven.
     *
     * @param wholeAt when the soak is whole if it stays so, milliseconds since 1970, or null
     * @param again what began a soak anew
     */
    record ProofNow(String state, List<Due> wants, Long wholeAt, List<String> again) {}

    /** Something wanted, and by when it is due, milliseconds since 1970, or null. */
    record Due(String sentence, Long by) {}

    /**
     * Something found.
     *
     * @param closedBy the fact that closed it, or empty while it is open
     * @param sayable whether saying what was found closes it
     */
    record Found(
            String key, String what, long since, String sentence, String wants, String closedBy, boolean sayable) {}
}
