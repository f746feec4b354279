package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.store.IssuedSheet;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.targets.Targets;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Socket;
import yellowrail.core.reading.MeterText;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Proof;
import yellowrail.core.session.Session;
import yellowrail.core.target.Target;
import yellowrail.core.tube.TubeType;

/** Issues the sheet of a signed session: its figures, its page and its PDF, kept as they are from then on. */
@Component
public class SheetIssuer {
    private final SessionMapper mapper;
    private final AmpStore amps;
    private final TubeStore tubes;
    private final Targets targets;
    private final ITemplateEngine templates;
    private final Pdf pdf;
    private final FinalRound finalRound;

    SheetIssuer(
            SessionMapper mapper,
            AmpStore amps,
            TubeStore tubes,
            Targets targets,
            ITemplateEngine templates,
            Pdf pdf,
            RoundStore rounds) {
        this.mapper = mapper;
        this.amps = amps;
        this.tubes = tubes;
        this.targets = targets;
        this.templates = templates;
        this.pdf = pdf;
        this.finalRound = new FinalRound(rounds);
    }

    /**
     * A session as it is judged today: by the newest description and types, with what was changed of them since it was begun.
     * An issued one stays with what it was issued by.
     */
    record Basis(BenchSession bench, JudgingBasis standards) {}

    Basis basis(BenchSession bench) {
        if (mapper.issued(bench.id()).isPresent()) {
            Map<String, TubeType> types =
                    new LinkedHashMap<>(tubes.now(bench.state().amp().stage().tubeTypes()));
            types.putAll(bench.types());
            return new Basis(bench, standards(bench, types, List.of()));
        }
        List<JudgingBasis.Change> changed = new ArrayList<>();
        BenchSession judged = newestDescription(bench, changed);
        List<String> doubted = doubted(bench, changed);
        placedOtherwise(bench).ifPresent(changed::add);
        Map<String, TubeType> types = tubes.now(judged.state().amp().stage().tubeTypes());
        bench.types().forEach((designation, was) -> {
            TubeType now = types.get(designation);
            if (now != null && !now.judgesAs(was)) {
                Optional<Long> since = tubes.changedAt(designation);
                changed.add(new JudgingBasis.Change(
                        "The type " + designation + " was changed since this session was begun: judged by the newer"
                                + " figures."
                                + (since.isPresent()
                                        ? " A soak counts from the change on."
                                        : " Begin a new session to prove it by them."),
                        since));
            }
        });
        Map<String, TubeType> known = new LinkedHashMap<>(bench.types());
        known.putAll(types);
        known.keySet().removeAll(doubted);
        return new Basis(judged, standards(judged, known, changed));
    }

    /** Tubes that were put in and are not of the type that the amp is described with: nobody looked whether they may be there. */
    private Optional<JudgingBasis.Change> placedOtherwise(BenchSession bench) {
        AmpDescription in = bench.state().amp();
        if (seatedAs(bench, amps.amp(bench.ampId(), bench.ampVersion())) || seatedAs(bench, amps.amp(bench.ampId()))) {
            return Optional.empty();
        }
        Map<String, String> described = new LinkedHashMap<>();
        amps.amp(bench.ampId()).description().sockets().forEach(s -> described.put(s.name(), s.tubeType()));
        String others = in.sockets().stream()
                .filter(s -> !s.tubeType().equals(described.get(s.name())))
                .map(s -> s.name() + " holds " + s.tubeType())
                .collect(Collectors.joining(", "));
        return Optional.of(new JudgingBasis.Change(
                others + " as it was put in, and the amp is described with "
                        + String.join(", ", new TreeSet<>(described.values()))
                        + ": judged by what was put in. Look at the swap, and accept it, to prove it.",
                Optional.empty()));
    }

    /** Whether an amp is described with the tubes that are in its sockets in this session. */
    private static boolean seatedAs(BenchSession bench, Amp amp) {
        AmpDescription in = bench.state().amp();
        return points(amp.description()).equals(points(in))
                && amp.description().seatedAs(in).equals(amp.description());
    }

    private BenchSession newestDescription(BenchSession bench, List<JudgingBasis.Change> changed) {
        Amp newest = amps.amp(bench.ampId());
        AmpDescription begun = bench.state().plan().amp();
        // Which tubes are in the sockets is told by what was put there, not by a description.
        AmpDescription now = newest.description().seatedAs(begun);
        boolean told = begun.bias().scheme() == BiasScheme.FIXED_UNKNOWN
                && now.biased(BiasScheme.FIXED_UNKNOWN).meansTheSame(begun);
        if (newest.version() == bench.ampVersion() || now.meansTheSame(begun) || told) {
            return bench;
        }
        boolean samePoints = points(now).equals(points(begun));
        changed.add(new JudgingBasis.Change(
                "The description of this amp was changed since this session was begun (version " + bench.ampVersion()
                        + ", now " + newest.version() + "): "
                        + (samePoints
                                ? "judged by the newer one. A soak counts from the change on."
                                : "its sockets or sense points are others, so it is judged by the older one. Begin a new"
                                        + " session to prove it."),
                samePoints ? Optional.of(amps.changedAt(bench.ampId())) : Optional.empty()));
        return samePoints
                ? bench.by(
                        newest.version(),
                        Session.replay(
                                bench.state().plan().of(now), bench.state().entries()))
                : bench;
    }

    /**
     * Types of the sockets for which the description was edited to name another since the session was begun: one of the two is
     * wrong, and nothing is judged by either. An accepted swap says nothing of the tubes that are in.
     */
    private List<String> doubted(BenchSession bench, List<JudgingBasis.Change> changed) {
        AmpDescription begun = bench.state().plan().amp();
        List<Socket> others = amps.reseated(bench.ampId(), bench.ampVersion()).stream()
                .filter(s -> begun.sockets().stream()
                        .anyMatch(
                                b -> b.name().equals(s.name()) && !b.tubeType().equals(s.tubeType())))
                .toList();
        if (others.isEmpty()) {
            return List.of();
        }
        String names = others.stream().map(Socket::name).distinct().collect(Collectors.joining(", "));
        changed.add(new JudgingBasis.Change(
                "The description was changed to other tubes in " + names
                        + " since this session was begun: whether these or"
                        + " those are in the sockets is not known, and nothing is judged by either. Begin a new session with"
                        + " the tubes that are in.",
                Optional.empty()));
        return begun.sockets().stream()
                .filter(b -> others.stream().anyMatch(o -> o.name().equals(b.name())))
                .map(Socket::tubeType)
                .distinct()
                .toList();
    }

    private static List<String> points(AmpDescription amp) {
        List<String> points = new ArrayList<>();
        amp.sockets().forEach(s -> points.add(s.name()));
        amp.groups().forEach(g -> points.add(g.name() + g.sockets()));
        return points;
    }

    /** What a session's readings are judged by, with today's windows. */
    JudgingBasis standards(BenchSession bench) {
        return basis(bench).standards();
    }

    private JudgingBasis standards(BenchSession bench, Map<String, TubeType> types, List<JudgingBasis.Change> changed) {
        Session session = bench.state();
        Amp amp = new Amp(bench.ampId(), bench.ampVersion(), session.plan().amp());
        Optional<Target> maker = MeterText.understand(
                        session.plan().amp().judging().makersFigure(),
                        session.plan().amp().groups().get(0).method().field())
                .value()
                .map(Target.MakersFigure::new);
        return new JudgingBasis(types, targets.windows(amp), maker, changed);
    }

    /** What a session has found so far. */
    public Outcome outcome(BenchSession bench) {
        Basis basis = basis(bench);
        return Outcome.of(basis.bench().state(), basis.standards());
    }

    IssuedSheet view(BenchSession bench, long at) {
        Basis basis = basis(bench);
        return Sheets.of(basis.bench(), basis.standards(), provenBefore(bench), at);
    }

    private int provenBefore(BenchSession bench) {
        int count = 0;
        List<IssuedRow> issued = mapper.issuedOfAmp(bench.ampId());
        for (IssuedRow row : issued) {
            if (!row.state().equals(Proof.State.PROVEN.name())) {
                break;
            }
            count++;
        }
        return count;
    }

    /** Within the transaction that stores the signature: all of it is kept, or nothing. */
    void issue(BenchSession signed, UUID eventId, long at) {
        Basis basis = basis(signed);
        IssuedSheet sheet = Sheets.of(basis.bench(), basis.standards(), provenBefore(signed), at);
        String html = html(sheet);
        mapper.insertIssued(
                signed.id(),
                eventId,
                sheet.state(),
                sheet.recheckOn(),
                StoredShapes.SHEET.write(sheet),
                html,
                pdf.of(html, "A4"));
        // The history judges by the description of its version: a round of other tubes is kept once they are described.
        BenchSession judged = basis.bench();
        if (seatedAs(judged, amps.amp(judged.ampId(), judged.ampVersion()))) {
            finalRound.keep(judged, basis.standards(), at);
        } else if (seatedAs(judged, amps.amp(judged.ampId()))) {
            int newest = amps.amp(judged.ampId()).version();
            finalRound.keep(judged.by(newest, judged.state()), basis.standards(), at);
        }
    }

    /** Adds to the round of a signed session what an earlier version did not keep of its turns. */
    void complete(BenchSession signed) {
        finalRound.complete(signed, basis(signed).standards());
    }

    /** Whether its round is there without how it was read by turns. */
    boolean lacksTurns(UUID session) {
        return finalRound.lacksTurns(session);
    }

    String html(IssuedSheet sheet) {
        Context context = new Context();
        context.setVariable("s", sheet);
        return templates.process("bench/sheet-body", context);
    }
}
