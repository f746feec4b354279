package yellowrail.core.load;

import java.util.List;
import java.util.Map;
import java.util.Optional;

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
        return new LeadFinding(notes).found();
    }
}
