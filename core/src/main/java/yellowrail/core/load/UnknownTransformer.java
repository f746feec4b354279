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
import yellowrail.core.reading.Show;

/**
 * What readings between the leads of an unmarked transformer tell: which leads belong to one winding, which are its ends, its
 * centre and its taps, and, from AC volts, what loads and tubes it suits.
 *
 * <p>DC ohms tell what is connected and in which order along a winding. They never tell a ratio: copper depends on the
 * thickness and the length of the wire as well as on the turns.
 *
 * @param windings highest DC ohms first
 * @param primary the winding with by far the most copper; empty while that is not told
 * @param uses what the primary shows for each way its taps could be meant, with published operations near it
 * @param contradictions readings that cannot all be so; nothing else is told then
 * @param open what is still to be read, in order
 */
public record UnknownTransformer(
        List<Winding> windings,
        Optional<Winding> primary,
        List<Use> uses,
        List<String> contradictions,
        List<String> open) {
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

    private static final List<Double> USUAL_TAPS = List.of(4.0, 8.0, 16.0);

    /**
     * Leads that are connected.
     *
     * @param leads in the order they stand along the winding, as far as that is told
     * @param ohms end to end, Ω
     * @param centre the lead in the middle; empty for none
     * @param centreByVolts whether equal AC volts on both halves showed it; otherwise the ohms suggest it
     * @param taps other leads between the ends
     */
    public record Winding(
            List<String> leads, double ohms, Optional<String> centre, boolean centreByVolts, List<String> taps) {
        public Winding {
            leads = List.copyOf(leads);
            taps = List.copyOf(taps);
        }

        public String first() {
            return leads.get(0);
        }

        public String last() {
            return leads.get(leads.size() - 1);
        }

        boolean holds(String one, String two) {
            return leads.contains(one) && leads.contains(two);
        }
    }

    /**
     * One way the secondary could be meant.
     *
     * @param taps the leads of each tap and the load it would be for, Ω
     * @param primaryOhms what the whole primary shows then, Ω
     * @param near published operations of a like load
     */
    public record Use(Map<String, Double> taps, double primaryOhms, List<PublishedLoads.Load> near) {}

    public UnknownTransformer {
        windings = List.copyOf(windings);
        uses = List.copyOf(uses);
        contradictions = List.copyOf(contradictions);
        open = List.copyOf(open);
    }

    public static UnknownTransformer of(LeadNotes.Read notes) {
        return new Finding(notes).found();
    }

    /** Puts the readings together. */
    private static final class Finding {
        private final LeadNotes.Read notes;
        private final List<String> contradictions = new ArrayList<>();
        private final List<String> open = new ArrayList<>();

        Finding(LeadNotes.Read notes) {
            this.notes = notes;
        }

        UnknownTransformer found() {
            List<Winding> windings = groups().stream()
                    .map(this::winding)
                    .sorted(Comparator.comparingDouble(Winding::ohms).reversed())
                    .toList();
            Optional<Winding> primary = primary(windings);
            List<Use> uses = contradictions.isEmpty()
                    ? primary.map(p -> uses(p, windings)).orElse(List.of())
                    : List.of();
            if (notes.ohms().isEmpty()) {
                open.add(0, "Ohms between each pair of leads, amp off and drained, or the transformer out of it.");
            }
            return new UnknownTransformer(windings, primary, uses, contradictions, open);
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
                open.add(
                        "No lead lies at the middle of the primary: AC volts on the whole of it and from one end to each"
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
                    lowSide(v);
                    put(ratios, v.driven() + "–" + v.drivenTo(), v.volts() / v.drive());
                }
            }
            return ratios;
        }

        /** Nobody knew the ratio when that was done: it is told, and nothing is built on it. */
        private void lowSide(LeadNotes.Volts v) {
            if (v.drive() > SafeDrive.LOW_SIDE_UNKNOWN) {
                contradictions.add(
                        Show.plain(v.drive(), 3) + " V was put on " + v.driven() + " and " + v.drivenTo()
                                + ", a low winding: that can put hundreds of volts on the other leads. At most 1 V goes on the low side"
                                + " while the ratio is not known; better drive the winding with the most ohms. Read it again so.");
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
                } else {
                    uses.addAll(uses(primary, ratios));
                }
            }
            return contradictions.isEmpty() ? uses : List.of();
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
}
