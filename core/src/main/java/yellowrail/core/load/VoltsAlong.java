package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import yellowrail.core.reading.Show;

/** AC volts between the leads of one winding under one drive: they add up along it, and no part has more than its whole. */
final class VoltsAlong {
    /** How far a meter's AC volts may be off beside half of the last digit, share: the drive is the same for all. */
    private static final double SHARE = 0.03;

    /** Two ohms readings tell which is more when they differ by so much, Ω, and so much of the larger. */
    private static final double LEADS_OHMS = 0.15;

    private static final double OHMS_SHARE = 0.04;

    /** Volts between two leads, as share of the drive. */
    private record Share(double value, double band) {}

    /** Two leads, whichever comes first. */
    private record Pair(Set<String> leads) {
        static Pair of(String one, String two) {
            return new Pair(new TreeSet<>(List.of(one, two)));
        }

        @Override
        public String toString() {
            return String.join("–", leads);
        }
    }

    private final LeadNotes.Read notes;
    private final List<UnknownTransformer.Winding> windings;
    private final List<String> contradictions = new ArrayList<>();

    private VoltsAlong(LeadNotes.Read notes, List<UnknownTransformer.Winding> windings) {
        this.notes = notes;
        this.windings = windings;
    }

    /** Sentences about readings that cannot all be so. */
    static List<String> contradictions(LeadNotes.Read notes, List<UnknownTransformer.Winding> windings) {
        VoltsAlong along = new VoltsAlong(notes, windings);
        notes.volts().stream()
                .collect(Collectors.groupingBy(
                        v -> Pair.of(v.driven(), v.drivenTo()), LinkedHashMap::new, Collectors.toList()))
                .forEach(along::drive);
        return along.contradictions;
    }

    /** Share of a winding's volts between two of its leads, as some drive told it; empty where none did. */
    static Optional<Double> share(List<LeadNotes.Volts> volts, String one, String two, String first, String last) {
        Pair part = Pair.of(one, two);
        Pair whole = Pair.of(first, last);
        return volts.stream()
                .flatMap(v -> {
                    Pair driven = Pair.of(v.driven(), v.drivenTo());
                    Pair read = Pair.of(v.read(), v.readTo());
                    return driven.equals(whole) && read.equals(part)
                            ? Optional.of(v.volts() / v.drive()).stream()
                            : driven.equals(part) && read.equals(whole)
                                    ? Optional.of(v.drive() / v.volts()).stream()
                                    : Optional.<Double>empty().stream();
                })
                .findFirst();
    }

    private void drive(Pair driven, List<LeadNotes.Volts> readings) {
        double drive = readings.get(0).drive();
        Map<Pair, Share> shares = new LinkedHashMap<>();
        shares.put(driven, new Share(1, 0));
        for (LeadNotes.Volts v : readings) {
            Pair pair = Pair.of(v.read(), v.readTo());
            double value = v.volts() / v.drive();
            Share share = new Share(value, SHARE * value + v.voltsDigit() / 2 / v.drive());
            Share before = shares.putIfAbsent(pair, share);
            if (before != null && Math.abs(before.value - share.value) > before.band + share.band) {
                contradictions.add("Read twice with " + volts(drive) + " on " + driven + ", leads " + pair + " give "
                        + volts(before.value * drive) + " and " + volts(share.value * drive)
                        + ": read them again.");
            }
        }
        for (UnknownTransformer.Winding winding : windings) {
            sums(winding, shares, drive);
            parts(winding, shares, drive);
        }
    }

    /** Of three leads the two smaller volts make the largest. */
    private void sums(UnknownTransformer.Winding winding, Map<Pair, Share> shares, double drive) {
        List<String> leads = winding.leads();
        for (int a = 0; a < leads.size(); a++) {
            for (int b = a + 1; b < leads.size(); b++) {
                for (int c = b + 1; c < leads.size(); c++) {
                    List<Pair> three = new ArrayList<>(List.of(
                            Pair.of(leads.get(a), leads.get(b)),
                            Pair.of(leads.get(b), leads.get(c)),
                            Pair.of(leads.get(a), leads.get(c))));
                    if (!shares.keySet().containsAll(three)) {
                        continue;
                    }
                    // Which lies between the others the volts tell: ohms of a low winding are too alike.
                    three.sort(Comparator.comparingDouble(p -> shares.get(p).value));
                    double sum = shares.get(three.get(0)).value + shares.get(three.get(1)).value;
                    double whole = shares.get(three.get(2)).value;
                    double band =
                            three.stream().mapToDouble(p -> shares.get(p).band).sum() + SHARE * whole;
                    if (Math.abs(sum - whole) > band) {
                        contradictions.add("Along one winding volts add up: " + three.get(0) + " and " + three.get(1)
                                + " are " + volts(sum * drive) + " together, " + three.get(2) + " has "
                                + volts(whole * drive) + ". Read all three again.");
                    }
                }
            }
        }
    }

    private void parts(UnknownTransformer.Winding winding, Map<Pair, Share> shares, double drive) {
        List<String> leads = winding.leads();
        List<Pair> within =
                shares.keySet().stream().filter(p -> leads.containsAll(p.leads)).toList();
        for (Pair part : within) {
            for (Pair whole : within) {
                Share small = shares.get(part);
                Share large = shares.get(whole);
                if (inside(part, whole, leads)
                        && clearly(part, whole)
                        && small.value - large.value > small.band + large.band + SHARE * large.value) {
                    contradictions.add(part + " has " + volts(small.value * drive) + ", more than the "
                            + volts(large.value * drive) + " of " + whole
                            + ", of which it is a part by the ohms. Read both again.");
                }
            }
        }
    }

    /** Whether the ohms of a part are less than its whole's by more than they can be misread. */
    private boolean clearly(Pair part, Pair whole) {
        Optional<Double> small = ohms(part);
        Optional<Double> large = ohms(whole);
        return small.isPresent()
                && large.isPresent()
                && large.get() - small.get() > LEADS_OHMS + OHMS_SHARE * large.get();
    }

    private Optional<Double> ohms(Pair pair) {
        return notes.ohms().stream()
                .filter(r -> Pair.of(r.one(), r.two()).equals(pair))
                .flatMap(r -> r.ohms().stream())
                .findFirst();
    }

    private static boolean inside(Pair part, Pair whole, List<String> leads) {
        int[] p = part.leads.stream().mapToInt(leads::indexOf).sorted().toArray();
        int[] w = whole.leads.stream().mapToInt(leads::indexOf).sorted().toArray();
        return !part.equals(whole) && p[0] >= w[0] && p[1] <= w[1];
    }

    private static String volts(double volts) {
        return Show.significant(volts, 3) + " V";
    }
}
