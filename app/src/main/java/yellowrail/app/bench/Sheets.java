package yellowrail.app.bench;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowrail.app.store.IssuedSheet;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.Missing;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.MainsFan;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Proof;
import yellowrail.core.session.Recheck;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.events.Drawer;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Tiered;
import yellowrail.core.tube.TubeType;

/** The figures of a sheet, from a session's state. */
final class Sheets {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final double STRIP_WIDTH = 300;
    private static final double STRIP_FULL = 1.2;

    private Sheets() {}

    /**
     * @param provenBefore proven sessions of this amp in a row, right before this one
     * @param at when it is issued, milliseconds since 1970
     */
    static IssuedSheet of(BenchSession bench, JudgingBasis standards, int provenBefore, long at) {
        Session session = bench.state();
        SessionAssessment judged = SessionAssessment.of(session, standards);
        Outcome outcome = Outcome.of(session, judged);
        boolean proven = outcome.proof().state() == Proof.State.PROVEN;
        int inARow = proven ? provenBefore + 1 : 0;
        Recheck recheck = Recheck.after(inARow, tubesMoved(session), proven);
        LocalDate day = Instant.ofEpochMilli(at).atZone(ZoneId.systemDefault()).toLocalDate();
        AmpDescription amp = judged.amp();
        return new IssuedSheet(
                amp.name(),
                session.plan().purpose().words(),
                day.format(DAY),
                session.signed().map(SignedOff::by).orElse(""),
                session.signed().map(SignedOff::remarks).orElse(""),
                outcome.proof().state().name(),
                outcome.proof().state().words(),
                outcome.proof().open(),
                Proof.EDITION,
                findings(outcome),
                outcome.proof().again(),
                judged.window().map(w -> w.name() + ", " + SessionPages.span(w)).orElse("no target chosen"),
                Show.plain(100 * amp.ceilingShare(), 3) + " %",
                mainsWords(session),
                "Meter: " + session.plan().meter().name() + " "
                        + session.plan().meter().volts().words() + " on volts. Plate volts read "
                        + session.plan().reference().words() + ". Current: "
                        + String.join(
                                "; ",
                                amp.groups().stream()
                                        .map(g -> g.name() + " " + g.method().words())
                                        .distinct()
                                        .limit(4)
                                        .toList())
                        + ".",
                outcome.tubes().stream().map(t -> tube(t, judged)).toList(),
                fans(outcome.fans()),
                outcome.fans().stream().anyMatch(MainsFan::own)
                        ? "this amp's own exponent "
                                + exponent(judged.mainsExponent().orElseThrow())
                        : "exponent for " + amp.bias().scheme().words() + ", estimate",
                notMeasured(session, judged),
                outcome.skipped(),
                outcome.changes(),
                tiers(session),
                notes(session),
                checks(session, judged),
                recheck.words() + ", " + Recheck.why(inARow, tubesMoved(session), proven),
                day.plusDays(recheck.days()),
                day.plusDays(recheck.days()).format(DAY),
                outcome);
    }

    private static List<IssuedSheet.Found> findings(Outcome outcome) {
        return outcome.findings().stream()
                .map(f -> new IssuedSheet.Found(f.code().words(), f.tube(), f.sentence(), f.standing(), f.open()))
                .toList();
    }

    private static boolean tubesMoved(Session session) {
        return session.entries().stream().anyMatch(e -> e.event() instanceof Placed || e.event() instanceof Exchanged);
    }

    private static String mainsWords(Session session) {
        List<Double> mains = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS)
                .map(r -> r.typed().value())
                .toList();
        if (mains.isEmpty()) {
            return "mains not recorded";
        }
        double low = mains.stream().min(Double::compare).orElseThrow();
        double high = mains.stream().max(Double::compare).orElseThrow();
        return low == high
                ? "mains " + Show.si(low, Unit.VOLT, 4)
                : "mains " + Show.si(low, Unit.VOLT, 4) + " to " + Show.si(high, Unit.VOLT, 4);
    }

    private static IssuedSheet.Tube tube(Outcome.BeforeAfter t, SessionAssessment judged) {
        String type = judged.amp().sockets().stream()
                .filter(s -> s.name().equals(t.socket()))
                .map(s -> s.tubeType())
                .findFirst()
                .orElse("");
        return new IssuedSheet.Tube(
                t.socket(),
                type,
                t.tube(),
                t.beforeAmperes().map(i -> Show.fixed(1000 * i, 1)).orElse("–"),
                t.beforeWatts().map(w -> Show.significant(w, 3)).orElse("–"),
                t.afterAmperes().map(i -> Show.fixed(1000 * i, 1)).orElse("–"),
                t.afterWatts().map(w -> Show.plusMinus(w.value(), w.likely())).orElse("–"),
                t.afterShare()
                        .map(s -> Show.plusMinus(100 * s.value(), 100 * s.likely()))
                        .orElse("–"),
                t.ratio().map(r -> "× " + Show.fixed(r, 2)).orElse(""),
                (t.alone() || t.afterWatts().isEmpty() ? "" : "mean of several, ") + t.verdict(),
                t.afterShare().map(s -> strip(s, judged)));
    }

    private static IssuedSheet.Strip strip(Estimate share, SessionAssessment judged) {
        return new IssuedSheet.Strip(
                at(share.value()) - 3,
                at(share.low()),
                at(share.high()),
                judged.window().map(w -> at(w.low())).orElse(-10.0),
                judged.window().map(w -> at(w.high()) - at(w.low())).orElse(0.0),
                at(judged.amp().ceilingShare()),
                at(1));
    }

    private static double at(double share) {
        return Math.round(10 * STRIP_WIDTH * Math.max(0, Math.min(1, share / STRIP_FULL))) / 10.0;
    }

    private static List<IssuedSheet.Fan> fans(List<MainsFan> fans) {
        return fans.stream()
                .map(f -> new IssuedSheet.Fan(
                        f.socket(),
                        watts(f.lowest()),
                        watts(f.nominal()),
                        watts(f.highest()),
                        f.highestShare().map(Sheets::percent).orElse("–")))
                .toList();
    }

    private static String watts(Optional<Band> watts) {
        return watts.map(w -> range(Show.significant(w.low(), 3), Show.significant(w.high(), 3)) + " W")
                .orElse("too far to estimate");
    }

    static String exponent(Band own) {
        return Show.plusMinus(own.mid(), own.high() - own.mid());
    }

    private static String percent(Band share) {
        return range(Show.fixed(100 * share.low(), 0), Show.fixed(100 * share.high(), 0)) + " %";
    }

    private static String range(String low, String high) {
        return low.equals(high) ? low : low + " to " + high;
    }

    private static List<String> notMeasured(Session session, SessionAssessment judged) {
        Set<String> lines = new LinkedHashSet<>();
        judged.present().ifPresent(p -> p.unmeasured().forEach(s -> lines.add(s + ": not read in the last setting.")));
        for (Missing missing : judged.notKnown()) {
            if (missing.blocks()) {
                lines.add(missing.sentence());
            }
        }
        if (session.last(Quantity.MAINS, "").isEmpty()) {
            lines.add("Mains not recorded.");
        }
        if (session.last(Quantity.HEATER, "").isEmpty()) {
            lines.add("Heater volts not recorded.");
        }
        boolean screens = session.amp().sockets().stream()
                .map(t -> judged.type(t.tubeType()))
                .anyMatch(t -> t.map(TubeType::hasScreen).orElse(true));
        if (screens && session.holding().stream().noneMatch(r -> r.quantity() == Quantity.SCREEN)) {
            lines.add("Screen volts not read.");
        }
        return List.copyOf(lines);
    }

    /** Tiers in the order of their names' first mention, the last entry of a name holding. */
    static List<String> tiers(Session session) {
        Map<String, Tiered> tiers = new LinkedHashMap<>();
        for (Entry entry : session.entries()) {
            if (entry.event() instanceof Tiered tier) {
                tiers.put(tier.tier(), tier);
            }
        }
        return tiers.values().stream()
                .map(t -> t.tier() + ": " + t.items() + (t.chosen() ? " — chosen by the owner." : "."))
                .toList();
    }

    /** Resistor values at hand, the last list given. */
    static List<Double> drawer(Session session) {
        return session.entries().stream()
                .filter(e -> e.event() instanceof Drawer)
                .map(e -> ((Drawer) e.event()).ohms())
                .reduce((a, b) -> b)
                .orElse(List.of());
    }

    private static List<String> notes(Session session) {
        return session.entries().stream()
                .flatMap(e -> e.event().noted().stream())
                .toList();
    }

    private static List<String> checks(Session session, SessionAssessment judged) {
        List<String> lines = new ArrayList<>();
        session.stops().forEach(stop -> lines.addAll(stop.printed(session)));
        if (judged.sag() instanceof yellowrail.core.adjust.SupplySag.Known known) {
            lines.add(known.words().replaceAll("\\.$", "").replace("Supply", "supply"));
        }
        return lines;
    }
}
