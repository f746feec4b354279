package yellowrail.core.idle;

import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.Known;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Ratings;

/**
 * What an idle check found. Whatever could not be computed is empty; nothing is filled in with zero.
 *
 * @param cathodeAmperes of one tube (a mean when the method sees several), A
 * @param plateAmperes of one tube, A
 * @param screenAmperes of one tube, A
 * @param plateToCathodeVolts V
 * @param plateWatts the plate dissipation used, W
 * @param upperBoundWatts with all seen current counted as plate current, W
 * @param screenWatts screen dissipation, W
 * @param ratings the publication judged by
 * @param share plate watts over the plate rating, as read
 * @param judgedShare the same at highest mains and for the worst tube of a stated spread; as read where that is not known
 * @param judgedAt what {@code judgedShare} refers to, in words
 * @param atHighest the share at highest mains between the ends of how the bias can follow it, without the errors of the
 *     readings; empty where that is not known
 * @param window the window in force, reaching down to where the limits permit; empty while no target is chosen
 * @param permitted the hottest idle at which nothing is passed; empty when there is no current to start from
 * @param unloadedSupplyVolts a tubes-out reading, kept as the unloaded B+, V
 * @param known what was read, at nominal, lowest and highest mains, for each thing the bias can turn out to be; without
 *     figures where an estimate does not reach that far
 * @param verdict the verdict
 * @param limits the other limits, each with its own state
 * @param targets each target as a meter reading
 * @param missing what is not known, weightiest first
 * @param contradictions what the check says twice and not alike
 * @param slips likely slips, likeliest first
 * @param notes what to keep in mind
 * @param formulas every figure opened
 */
public record IdleAnswer(
        Optional<Estimate> cathodeAmperes,
        Optional<Estimate> plateAmperes,
        Optional<Estimate> screenAmperes,
        Optional<Estimate> plateToCathodeVolts,
        Optional<Estimate> plateWatts,
        Optional<Double> upperBoundWatts,
        Optional<Estimate> screenWatts,
        Optional<Ratings> ratings,
        Optional<Estimate> share,
        Optional<Estimate> judgedShare,
        String judgedAt,
        Optional<Band> atHighest,
        Optional<Window> window,
        Optional<Permitted> permitted,
        Optional<Double> unloadedSupplyVolts,
        List<Known> known,
        Verdict verdict,
        List<LimitCheck> limits,
        List<TargetReading> targets,
        List<Missing> missing,
        List<Contradiction> contradictions,
        List<Slip> slips,
        List<String> notes,
        List<Formula> formulas) {}
