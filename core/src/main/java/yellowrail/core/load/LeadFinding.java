package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.UnknownTransformer.Use;
import yellowrail.core.load.UnknownTransformer.Winding;
import yellowrail.core.reading.Show;

/** Puts the readings between the leads of an unmarked transformer together. */
final class LeadFinding {
    /** Copper of a primary is several times that of any secondary. */
    private static final double PRIMARY = 5;
    /** Ohms along a winding add up within this share, and within an ohm of the leads. */
    private static final double ADDS = 0.04;

    private static final double LEAD_OHMS = 1;
    /** Halves have equal turns: AC volts within this, share. */
    private static final double EQUAL = 0.03;
    /** DC ohms of a half lie about the middle: the outer half is longer. */
    private static final double HALF_LEAST = 0.4;

    private static final double HALF_MOST = 0.6;
    /** Volts of taps stand as the roots of their loads, within this share. */
    private static final double ROOTS = 0.07;

    /** Ohms tell the share of a winding's turns within this. */
    private static final double BY_OHMS = 0.15;
    /** Fewer turns to one than this no output transformer has. */
    private static final double LEAST_WOUND = 1.5;

    private static final List<Double> USUAL_TAPS = List.of(4.0, 8.0, 16.0);

    private final LeadNotes.Read notes;
    private final List<String> contradictions = new ArrayList<>();
    private final List<String> open = new ArrayList<>();

    LeadFinding(LeadNotes.Read notes) {
        this.notes = notes;
    }

    UnknownTransformer found() {
        List<Winding> windings = groups().stream()
                .map(this::winding)
                .sorted(Comparator.comparingDouble(Winding::ohms).reversed())
                .toList();
        readTwice();
        if (!contradictions.isEmpty()) {
            // Which leads belong together hangs on the ohms: while they contradict, nothing is told.
            return new UnknownTransformer(List.of(), Optional.empty(), List.of(), contradictions, List.of());
        }
        contradictions.addAll(VoltsAlong.contradictions(notes, windings));
        notes.volts().forEach(v -> unsafe(v, windings));
        Optional<Winding> primary = primary(windings);
        List<Use> uses =
                contradictions.isEmpty() ? primary.map(p -> uses(p, windings)).orElse(List.of()) : List.of();
        if (notes.ohms().isEmpty()) {
            open.add(0, "Ohms between each pair of leads, amp off and drained, or the transformer out of it.");
        }
        if (!contradictions.isEmpty()) {
            // What the ohms alone tell still holds; of the volts nothing does.
            UnknownTransformer byOhms = new LeadFinding(new LeadNotes.Read(notes.ohms(), List.of(), "")).found();
            return new UnknownTransformer(byOhms.windings(), byOhms.primary(), List.of(), contradictions, List.of());
        }
        return new UnknownTransformer(windings, primary, uses, contradictions, open);
    }

    private void readTwice() {
        List<LeadNotes.Ohms> ohms =
                notes.ohms().stream().filter(r -> r.ohms().isPresent()).toList();
        for (int i = 0; i < ohms.size(); i++) {
            double one = ohms.get(i).ohms().orElseThrow();
            for (LeadNotes.Ohms again : ohms.subList(i + 1, ohms.size())) {
                double other = again.ohms().orElseThrow();
                if (again.between(ohms.get(i).one(), ohms.get(i).two())
                        && Math.abs(one - other) > ADDS * Math.max(one, other) + LEAD_OHMS) {
                    contradictions.add("Read twice, leads " + again.one() + "–" + again.two() + " give "
                            + Show.significant(one, 3) + " Ω and " + Show.significant(other, 3)
                            + " Ω: read them again.");
                }
            }
        }
    }

    /** A drive that could put more than is safe on some winding is told, and nothing is built on it. */
    private void unsafe(LeadNotes.Volts v, List<Winding> windings) {
        Optional<Winding> driven =
                windings.stream().filter(w -> w.holds(v.driven(), v.drivenTo())).findFirst();
        if (driven.isEmpty()) {
            open.add("Ohms " + v.driven() + " to " + v.drivenTo()
                    + " come before volts on them: they show which winding that is.");
        } else if (windings.size() == 1 && v.drive() > SafeDrive.LOW_SIDE_UNKNOWN) {
            open.add("Ohms of the other leads come before " + Show.plain(v.drive(), 3) + " V on " + v.driven() + " and "
                    + v.drivenTo() + ": which winding has the most ohms is not known, and until then at most "
                    + Show.plain(SafeDrive.LOW_SIDE_UNKNOWN, 2) + " V goes on any.");
        } else if (driven.get() == windings.get(0)) {
            part(v, driven.get());
        } else {
            lowSide(v, windings.get(0));
        }
    }

    /** A part of the winding with the most ohms: its whole has more. */
    private void part(LeadNotes.Volts v, Winding winding) {
        if (same(v.driven(), v.drivenTo(), winding.first(), winding.last())) {
            return;
        }
        Optional<Double> byVolts =
                VoltsAlong.share(notes.volts(), v.driven(), v.drivenTo(), winding.first(), winding.last());
        // Ohms only suggest the turns: a lead at the middle halves them, any other part counts as less than they say.
        boolean half = winding.centre()
                        .filter(c -> c.equals(v.driven()) || c.equals(v.drivenTo()))
                        .isPresent()
                && (ofEnd(v.driven(), winding) || ofEnd(v.drivenTo(), winding));
        double share = byVolts.orElseGet(() -> half
                ? 0.5
                : ohms(v.driven(), v.drivenTo())
                        .map(r -> (1 - BY_OHMS) * r / winding.ohms())
                        .orElse(0.0));
        if (v.drive() > SafeDrive.LOW_SIDE_UNKNOWN && v.drive() / share > SafeDrive.ANY_LEADS * (1 + EQUAL)) {
            contradictions.add(Show.plain(v.drive(), 3) + " V on " + v.driven() + " and " + v.drivenTo()
                    + ", a part of a winding, "
                    + (share > 0
                            ? "puts about " + Show.significant(v.drive() / share, 2) + " V on the whole of it, "
                                    + winding.first() + "–" + winding.last()
                            : "puts more on the whole of it, by how much is not known")
                    + ". " + SafeDrive.MOST + ": take it off, and drive " + winding.first() + " and "
                    + winding.last() + ".");
        }
    }

    /** Leads that are connected with one another, with each an ohms reading. */
    private List<Set<String>> groups() {
        List<Set<String>> groups = new ArrayList<>();
        for (LeadNotes.Ohms r : notes.ohms()) {
            if (r.ohms().isPresent()) {
                Set<String> joined = new LinkedHashSet<>(List.of(r.one(), r.two()));
                for (Set<String> group : List.copyOf(groups)) {
                    if (group.contains(r.one()) || group.contains(r.two())) {
                        joined.addAll(group);
                        groups.remove(group);
                    }
                }
                groups.add(joined);
            }
        }
        for (LeadNotes.Ohms r : notes.ohms()) {
            boolean connected = groups.stream().anyMatch(g -> g.contains(r.one()) && g.contains(r.two()));
            if (r.ohms().isEmpty() && connected) {
                contradictions.add("No connection was read between " + r.one() + " and " + r.two()
                        + ", but other readings connect them: read it again, a clip may have been off.");
            }
        }
        return groups;
    }

    private Optional<Double> ohms(String a, String b) {
        return notes.ohms().stream()
                .filter(r -> r.between(a, b))
                .flatMap(r -> r.ohms().stream())
                .findFirst();
    }

    private Winding winding(Set<String> group) {
        LeadNotes.Ohms ends = notes.ohms().stream()
                .filter(r -> r.ohms().isPresent() && group.contains(r.one()))
                .max(Comparator.comparingDouble(r -> r.ohms().orElseThrow()))
                .orElseThrow();
        double whole = ends.ohms().orElseThrow();
        List<String> between = new ArrayList<>(group);
        between.removeAll(List.of(ends.one(), ends.two()));
        Map<String, Double> place = new LinkedHashMap<>();
        for (String lead : between) {
            Optional<Double> from = ohms(ends.one(), lead);
            Optional<Double> to = ohms(lead, ends.two());
            if (from.isPresent() && to.isPresent()) {
                double sum = from.get() + to.get();
                if (Math.abs(sum - whole) > ADDS * whole + LEAD_OHMS) {
                    contradictions.add("Along one winding ohms add up: " + ends.one() + "–" + lead + " and " + lead
                            + "–"
                            + ends.two() + " are " + Show.significant(sum, 3) + " Ω together, " + ends.one() + "–"
                            + ends.two() + " read " + Show.significant(whole, 3) + " Ω. Read all three again.");
                }
                place.put(lead, from.get() / sum);
            } else if (from.isPresent() || to.isPresent()) {
                place.put(lead, from.map(r -> r / whole).orElseGet(() -> 1 - to.orElseThrow() / whole));
                open.add("Ohms " + (from.isPresent() ? lead + " to " + ends.two() : ends.one() + " to " + lead)
                        + ": they show whether " + lead + " lies between " + ends.one() + " and " + ends.two()
                        + ".");
            } else {
                open.add("Ohms " + ends.one() + " to " + lead + " and " + lead + " to " + ends.two() + ".");
            }
        }
        List<String> ordered = new ArrayList<>(place.keySet());
        ordered.sort(Comparator.comparingDouble(place::get));
        Optional<String> byVolts = ordered.stream()
                .filter(lead -> equalHalves(ends.one(), lead, ends.two()).orElse(false))
                .findFirst();
        Optional<String> centre = byVolts.or(() -> ordered.stream()
                .filter(lead -> place.get(lead) >= HALF_LEAST && place.get(lead) <= HALF_MOST)
                .filter(lead -> equalHalves(ends.one(), lead, ends.two()).isEmpty())
                .min(Comparator.comparingDouble(lead -> Math.abs(place.get(lead) - 0.5))));
        List<String> taps = new ArrayList<>(ordered);
        centre.ifPresent(taps::remove);
        List<String> leads = new ArrayList<>();
        leads.add(ends.one());
        leads.addAll(ordered);
        leads.add(ends.two());
        return new Winding(leads, whole, centre, byVolts.isPresent(), taps);
    }

    private static boolean same(String a, String b, String c, String d) {
        return a.equals(c) && b.equals(d) || a.equals(d) && b.equals(c);
    }

    /** Whether the halves have equal volts by readings of one drive; empty when that was not read. */
    private Optional<Boolean> equalHalves(String one, String lead, String two) {
        for (LeadNotes.Volts v : notes.volts()) {
            boolean whole = same(v.driven(), v.drivenTo(), one, two);
            boolean half = same(v.read(), v.readTo(), one, lead) || same(v.read(), v.readTo(), lead, two);
            if (whole && half) {
                return Optional.of(Math.abs(v.volts() / v.drive() - 0.5) <= EQUAL / 2);
            }
            if (same(v.driven(), v.drivenTo(), one, lead) && same(v.read(), v.readTo(), lead, two)) {
                return Optional.of(Math.abs(v.volts() / v.drive() - 1) <= EQUAL);
            }
        }
        return Optional.empty();
    }

    private Optional<Winding> primary(List<Winding> windings) {
        if (windings.size() < 2) {
            if (windings.size() == 1) {
                open.add("Ohms of the other winding's leads: a primary alone tells no ratio.");
            }
            return Optional.empty();
        }
        if (windings.get(0).ohms() < PRIMARY * windings.get(1).ohms()) {
            open.add("Which winding is the primary: two of them have ohms of one order ("
                    + Show.significant(windings.get(0).ohms(), 3) + " Ω and "
                    + Show.significant(windings.get(1).ohms(), 3) + " Ω). Is this an output transformer?");
            return Optional.empty();
        }
        Winding primary = windings.get(0);
        if (primary.leads().size() > 2 && primary.centre().isEmpty()) {
            open.add("No lead lies at the middle of the primary: AC volts on the whole of it and from one end to each"
                    + " lead between tell their places.");
        } else if (primary.centre().isPresent() && !primary.centreByVolts()) {
            String centre = primary.centre().get();
            open.add("AC on " + primary.first() + " and " + primary.last() + ", volts " + primary.first() + " to "
                    + centre
                    + ": half of it shows that " + centre
                    + " is the centre. Ohms of the halves differ: the outer half"
                    + " is longer.");
        }
        return Optional.of(primary);
    }

    /** Turns of the whole primary over each pair of secondary leads that was read. */
    private Map<String, Double> ratios(Winding primary, Winding secondary) {
        Map<String, Double> ratios = new LinkedHashMap<>();
        for (LeadNotes.Volts v : notes.volts()) {
            if (same(v.driven(), v.drivenTo(), primary.first(), primary.last())
                    && secondary.holds(v.read(), v.readTo())) {
                put(ratios, v.read() + "–" + v.readTo(), v.drive() / v.volts());
            } else if (same(v.read(), v.readTo(), primary.first(), primary.last())
                    && secondary.holds(v.driven(), v.drivenTo())) {
                put(ratios, v.driven() + "–" + v.drivenTo(), v.volts() / v.drive());
            }
        }
        return ratios;
    }

    private static boolean ofEnd(String lead, Winding winding) {
        return lead.equals(winding.first()) || lead.equals(winding.last());
    }

    /** What was known of the ratio when that was done: read in an earlier line, of the very same leads. */
    private void lowSide(LeadNotes.Volts v, Winding high) {
        Optional<Double> turns = notes.volts().stream()
                .takeWhile(earlier -> earlier != v)
                .filter(e -> same(e.driven(), e.drivenTo(), high.first(), high.last())
                        && same(e.read(), e.readTo(), v.driven(), v.drivenTo()))
                .map(e -> e.drive() / e.volts())
                .findFirst();
        boolean unknown = turns.isEmpty() && v.drive() > SafeDrive.LOW_SIDE_UNKNOWN;
        if (unknown || turns.isPresent() && v.drive() * turns.get() > SafeDrive.ANY_LEADS * (1 + EQUAL)) {
            contradictions.add(Show.plain(v.drive(), 3) + " V was put on " + v.driven() + " and " + v.drivenTo()
                    + ", a low winding: "
                    + (unknown
                            ? "that can put hundreds of volts on the other leads. At most "
                                    + Show.plain(SafeDrive.LOW_SIDE_UNKNOWN, 2)
                                    + " V goes on the low side while the ratio is not known"
                            : "that puts " + Show.significant(v.drive() * turns.get(), 2) + " V on " + high.first()
                                    + "–" + high.last() + ". " + SafeDrive.MOST)
                    + "; better drive the winding with the most ohms. Read it again so.");
        }
    }

    private void put(Map<String, Double> ratios, String leads, double turns) {
        Double before = ratios.putIfAbsent(leads, turns);
        if (before != null && Math.abs(before / turns - 1) > MeasuredTransformer.AGREE + EQUAL) {
            contradictions.add("Read twice, leads " + leads + " give " + Show.significant(before, 3) + " and "
                    + Show.significant(turns, 3) + " to one: read them again.");
        }
    }

    private List<Use> uses(Winding primary, List<Winding> windings) {
        List<Use> uses = new ArrayList<>();
        for (Winding secondary : windings.subList(1, windings.size())) {
            Map<String, Double> ratios = ratios(primary, secondary);
            if (ratios.isEmpty()) {
                open.add("A ratio: low AC volts on " + primary.first() + " and " + primary.last()
                        + ", the volts between "
                        + String.join(", ", secondary.leads())
                        + ". Ohms never tell one: copper depends on the wire as well as on the turns.");
            } else if (wound(primary, secondary, ratios)) {
                uses.addAll(uses(primary, ratios));
            }
        }
        return contradictions.isEmpty() ? uses : List.of();
    }

    /** Whether the ratios are those of a speaker's winding. */
    private boolean wound(Winding primary, Winding secondary, Map<String, Double> ratios) {
        Map.Entry<String, Double> least =
                ratios.entrySet().stream().min(Map.Entry.comparingByValue()).orElseThrow();
        String said = primary.first() + "–" + primary.last() + " to " + least.getKey() + " is "
                + Show.significant(least.getValue(), 3) + " to 1";
        boolean whole = ratios.keySet().stream()
                .anyMatch(k -> k.equals(secondary.first() + "–" + secondary.last())
                        || k.equals(secondary.last() + "–" + secondary.first()));
        if (least.getValue() < LEAST_WOUND || whole && least.getValue() > SafeDrive.MOST_TURNS) {
            contradictions.add(said
                    + ", which no output transformer has: were volts and millivolts exchanged, or a winding driven that"
                    + " was not meant? Read it again.");
            return false;
        }
        if (least.getValue() > SafeDrive.MOST_TURNS) {
            open.add("Volts on the whole of it, " + secondary.first() + "–" + secondary.last() + ": " + said
                    + ", a part of a winding.");
            return false;
        }
        if (least.getValue() < SafeDrive.LEAST_TURNS) {
            open.add(said + ": is " + least.getKey()
                    + " a line or 600 Ω winding? A speaker's has far fewer turns; nothing is concluded for one.");
            return false;
        }
        return true;
    }

    private static List<Use> uses(Winding primary, Map<String, Double> ratios) {
        Topology topology = primary.centre().isPresent() ? Topology.PUSH_PULL : Topology.SINGLE_ENDED;
        List<Use> uses = new ArrayList<>();
        for (double lowest : new TreeSet<>(USUAL_TAPS)) {
            tapped(ratios, lowest).ifPresent(taps -> {
                Map.Entry<String, Double> first = taps.entrySet().iterator().next();
                double turns = ratios.get(first.getKey());
                double ohms = turns * turns * first.getValue();
                uses.add(new Use(taps, ohms, PublishedLoads.near(ohms, topology)));
            });
        }
        return uses;
    }

    /** The loads of the taps when the lowest is for this many ohms; empty where one would be for no usual load. */
    private static Optional<Map<String, Double>> tapped(Map<String, Double> ratios, double lowest) {
        double most = ratios.values().stream().mapToDouble(r -> r).max().orElseThrow();
        Map<String, Double> taps = new LinkedHashMap<>();
        for (Map.Entry<String, Double> one : ratios.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .toList()) {
            double load = lowest * Math.pow(most / one.getValue(), 2);
            Optional<Double> usual = USUAL_TAPS.stream()
                    .filter(tap -> Math.abs(Math.sqrt(load / tap) - 1) <= ROOTS)
                    .findFirst();
            if (usual.isEmpty()) {
                return Optional.empty();
            }
            taps.put(one.getKey(), usual.get());
        }
        return Optional.of(taps);
    }
}
