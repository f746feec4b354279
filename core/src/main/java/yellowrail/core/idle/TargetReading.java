package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.Typed;

/**
 * A target turned into a meter reading at the present plate volts.
 *
 * @param name the target's name
 * @param share of the plate rating
 * @param watts plate dissipation there, W
 * @param plateAmperes of one tube, A
 * @param reading what to turn to at the amp's own test point; empty when the method has none
 * @param plusMinus half width of the reading's 95 % band, in the reading's base unit
 * @param chosen whether it is the chosen target
 * @param above the limit that would be passed there, in words; empty when the setting may stay
 * @param step whether plate volts will have moved so far that it is a step on the way: turn, then read volts and current
 *     again
 */
public record TargetReading(
        String name,
        double share,
        double watts,
        double plateAmperes,
        Optional<Typed> reading,
        double plusMinus,
        boolean chosen,
        Optional<String> above,
        boolean step) {}
