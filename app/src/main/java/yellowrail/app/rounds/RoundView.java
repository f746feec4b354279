package yellowrail.app.rounds;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import yellowrail.app.pictures.Statements;
import yellowrail.app.pictures.WattStrip;
import yellowrail.app.pictures.WattStrip.Tone;
import yellowrail.app.store.StoredTurns;
import yellowrail.core.adjust.Control;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.idle.Missing;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Answered;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.RoundState;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.target.Target.Window;

/** A round in words and figures, ready for the template. */
public record RoundView(
        UUID id,
        UUID ampId,
        String ampName,
        int ampVersion,
        String when,
        String verdict,
        String tone,
        String mark,
        Statements statements,
        List<String> reasons,
        List<String> warnings,
        List<String> balances,
        List<Tube> tubes,
        List<Entry> readings,
        String provenance,
        String note) {
    static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    /** One socket of the round. */
    public record Tube(
            String name,
            String type,
            String watts,
            String percent,
            String current,
            String verdict,
            String tone,
            String mark,
            Optional<WattStrip> strip,
            String turnTo,
            Statements statements,
            List<Slip> slips,
            List<Missing> missing,
            List<String> notes,
            List<LimitCheck> limits,
            List<Formula> formulas,
            String provenance) {}

    /** One stored reading; superseded ones stay visible. */
    public record Entry(
            UUID id,
            String what,
            String value,
            String raw,
            String when,
            boolean holds,
            String supersedes,
            String reason) {}

    public static RoundView of(Round round, List<Window> windows) {
        RoundAnswer answer = round.judged(windows);
        Tone tone = Tone.of(answer.verdict());
        Optional<Window> window = windows.stream()
                .filter(w -> w.name().equals(round.amp().description().judging().target()))
                .findFirst();
        return new RoundView(
                round.id(),
                round.amp().id(),
                round.amp().description().name(),
                round.amp().version(),
                round.takenAt().format(WHEN),
                answer.words(),
                tone.css(),
                tone.mark(),
                Statements.of(answer.verdict()),
                answer.verdict().reasons(),
                // Where a tube leads the verdict, its reasons begin with them.
                answer.worst().isEmpty()
                        ? answer.contradictions().stream()
                                .map(Contradiction::sentence)
                                .toList()
                        : List.of(),
                answer.balances().stream()
                        .map(b -> "Channel " + b.channel() + ": side A "
                                + Show.si(b.sideA(), Unit.AMPERE, 3) + ", side B " + Show.si(b.sideB(), Unit.AMPERE, 3)
                                + ", " + Show.fixed(100 * b.imbalance(), 1) + " % apart.")
                        .toList(),
                answer.sockets().stream().map(s -> tube(round, s, window)).toList(),
                entries(round),
                provenance(round),
                round.note());
    }

    private static Tube tube(Round round, SocketAnswer socket, Optional<Window> window) {
        var answer = socket.answer();
        Tone tone = socket.measured() ? Tone.of(answer.verdict()) : Tone.UNKNOWN;
        String verb = Control.of(round.amp().description()).isEmpty() ? " the meter would read " : " turn to ";
        return new Tube(
                socket.socket().name(),
                socket.socket().tubeType(),
                answer.plateWatts()
                        .map(w -> Show.plusMinus(w.value(), w.likely()) + " W")
                        .orElse("–"),
                answer.share()
                        .map(s -> Show.plusMinus(100 * s.value(), 100 * s.likely()) + " %")
                        .orElse(""),
                answer.cathodeAmperes()
                        .map(i -> Show.si(i.value(), Unit.AMPERE, 3))
                        .orElse(""),
                socket.measured() ? answer.verdict().words() : "not measured",
                tone.css(),
                tone.mark(),
                socket.measured()
                        ? WattStrip.of(
                                answer,
                                window,
                                round.amp().description().ceilingShare(),
                                socket.socket().name())
                        : Optional.empty(),
                answer.targets().stream()
                        .filter(t -> t.chosen())
                        .findFirst()
                        .flatMap(t -> t.reading().map(r -> "for " + t.name() + verb + Show.si(r.value(), r.unit(), 3)))
                        .orElse(""),
                Statements.of(answer.verdict()),
                answer.slips(),
                answer.missing(),
                answer.notes(),
                answer.limits(),
                answer.formulas(),
                provenance(round, socket));
    }

    private static String provenance(Round round, SocketAnswer socket) {
        return Provenance.of(socket)
                + round.holding(Quantity.GRID, socket.socket().name())
                        .map(g -> " Grid at " + g.echo() + " (supporting, no watts follow from it).")
                        .orElse("");
    }

    private static String provenance(Round round) {
        RoundState state = round.state();
        return "Mains " + round.mains() + "."
                + round.turns().map(RoundView::byTurns).orElse("") + " Meter: "
                + state.meter().name() + " " + state.meter().volts().words() + " on volts."
                + said(state.limiter(), " Limiter in series.", " Whether a limiter was in series was not asked.")
                + said(state.reduced(), " Mains turned down.", "")
                + said(state.apart(), " Volts and currents not taken together.", "")
                + " Described as in version " + round.amp().version() + " of the amp.";
    }

    private static String byTurns(StoredTurns turns) {
        return " Read by turns, each position in a power-on of its own: "
                + turns.positions().entrySet().stream()
                        .map(p -> p.getKey() + " on at " + p.getValue().on().format(CLOCK) + ", read at "
                                + p.getValue().read().format(CLOCK)
                                + p.getValue()
                                        .mains()
                                        .map(m -> " with " + Show.si(m, Unit.VOLT, 4) + " of mains")
                                        .orElse(", mains not read"))
                        .collect(Collectors.joining("; "))
                + "."
                + turns.drift()
                        .map(d -> " The first, read again at the end, had moved " + Show.significant(100 * d, 2)
                                + " %: that is in every band.")
                        .orElse(" The first was not read again at the end.");
    }

    private static String said(Answered answer, String yes, String notAsked) {
        return switch (answer) {
            case YES -> yes;
            case NO -> "";
            case NOT_ASKED -> notAsked;
        };
    }

    private static List<Entry> entries(Round round) {
        List<Reading> holding = round.holding();
        Map<UUID, Reading> byId = new HashMap<>();
        round.readings().forEach(r -> byId.put(r.id(), r));
        List<Entry> entries = new ArrayList<>();
        for (Reading reading : round.readings()) {
            entries.add(new Entry(
                    reading.id(),
                    reading.quantity().words() + (reading.point().isEmpty() ? "" : " " + reading.point()),
                    reading.echo(),
                    reading.raw(),
                    reading.takenAt().format(WHEN),
                    holding.contains(reading),
                    reading.supersedes() == null
                            ? ""
                            : byId.get(reading.supersedes()).echo(),
                    reading.reason()));
        }
        return entries;
    }
}
