package yellowrail.app.swap;

import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowrail.app.forms.Answers;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.session.Memory.KnownRange;

/**
 * What is known of all that is around an amp's tubes: from its description, its sessions and the transformer fitted to it.
 *
 * @param channels that the same transformer feeds
 * @param ranges how far each bias control reached at the grids, as read at the bench
 * @param coreAmperes direct current the output transformer is rated for, A
 */
record AmpAround(AmpDescription amp, int channels, Collection<KnownRange> ranges, Optional<Double> coreAmperes) {
    /**
     * The fields of a page of this amp.
     *
     * @param kept what was answered and kept with it: what the amp itself tells goes before
     * @param said what the address says, which goes before all
     */
    Answers filled(Map<String, String> kept, UnaryOperator<String> said) {
        // The present type first: what speaks against fresh tubes of the same type speaks against any.
        Answers answers = before(Answers.usual(SwapFields.ALL).said(kept::get))
                .known(CandidateFields.TO.get(0).type(), amp.stage().tubeTypes().get(0))
                .said(said);
        for (CandidateFields.Candidate to : CandidateFields.TO) {
            String sleeve = kept.get(sleeve(answers.text(to.type())));
            if (sleeve != null && said.apply(to.sleeve().name()) == null) {
                answers = answers.said(to.sleeve(), sleeve);
            }
        }
        return answers;
    }

    /** What is known of the amp goes before what is said. */
    Answers before(Answers said) {
        return said.knownIfAny(
                        SwapFields.WINDING, amp.supply().windings().heater().amperes())
                .knownIfAny(
                        SwapFields.HT_DC, amp.supply().windings().highTension().amperes())
                .knownIfAny(SwapFields.CORE_DC, coreAmperes)
                .knownIfAny(SwapFields.SENSE_OHMS, sense(amp))
                // Of several controls what every one of them reaches.
                .knownIfAny(
                        SwapFields.COLDEST,
                        ranges.stream().map(KnownRange::coldest).reduce(Math::max))
                .knownIfAny(
                        SwapFields.HOTTEST,
                        ranges.stream().map(KnownRange::hottest).reduce(Math::min))
                .known(SwapFields.CHANNELS, channels)
                .known(SwapFields.LOWEST, amp.mains().lowest() / amp.mains().nominal());
    }

    /** The largest of the cathodes' own resistors, as marked; empty where one of them is read otherwise. */
    private static Optional<Double> sense(AmpDescription amp) {
        return amp.groups().stream().allMatch(g -> g.method() instanceof OwnResistor)
                ? amp.groups().stream()
                        .map(g -> ((OwnResistor) g.method()).resistor().markedOhms())
                        .reduce(Math::max)
                : Optional.empty();
    }

    /** Where it is kept whether the tubes of a type that this builder has are sleeved. */
    static String sleeve(String type) {
        return "sleeve." + "." + type.strip().toUpperCase(Locale.ROOT);
    }
}
