package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.TubeType;

/**
 * Carries what was read to another mains: volts with the mains, watts and currents with the exponents of the bias scheme.
 * With bias held constant the type's curves tell the exponent at this point where there are any, with their own band; what
 * stages of this kind do stands where there are none. The amp's own exponent goes before both.
 */
final class MainsCarry {
    private static final String SOURCE = "how it follows the mains";

    private final BiasScheme bias;
    private final Optional<HeldBias> curves;

    private final Optional<Band> own;
    /** The point solved last: every limit of it asks for the same exponent. */
    private Point solvedAt;

    private double solvedRatio;
    private Band solved;

    /** @param bias what the bias does, told apart: no open question */
    MainsCarry(IdleQuestion question, BiasScheme bias) {
        this.bias = bias;
        this.curves = bias == BiasScheme.FIXED_CONSTANT
                ? question.stage().type().filter(t -> !t.own() || known(t)).flatMap(HeldBias::of)
                : Optional.empty();

        this.own = question.circumstances().ownExponent();
    }

    private static boolean known(TubeType type) {
        return yellowrail.core.tube.Catalogue.shippedType(type.designation()).isPresent();
    }

    boolean solves() {
        return curves.isPresent() && own.isEmpty();
    }

    /** The exponent of dissipation at this point. */
    Band exponent(Point point, double idle, double ratio) {
        if (own.isPresent()) {
            return own.get();
        }
        Band usual = bias.wattsExponent(idle);
        if (curves.isEmpty() || !(point.plate().value() > 0) || ratio <= 1) {
            return usual;
        }
        if (point != solvedAt || ratio != solvedRatio) {
            solved = curves.get()
                    .exponent(point.volts().value(), read(point), point.plate().value(), ratio);
            solvedAt = point;
            solvedRatio = ratio;
        }
        return solved;
    }

    private static Optional<Double> read(Point point) {
        return point.screenUnread() ? Optional.empty() : point.screenVolts().map(Estimate::value);
    }

    /** The factor of a quantity between mains now and there, with the ends of what is not known. */
    Band factor(Unit unit, Point point, double idle, double ratio) {
        return switch (unit) {
            case VOLT -> Band.exactly(ratio);
            case AMPERE -> amperes(point, idle, ratio).powerOf(ratio);
            default -> exponent(point, idle, ratio).powerOf(ratio);
        };
    }

    private Band amperes(Point point, double idle, double ratio) {
        if (own.isEmpty() && curves.isEmpty()) {
            return bias.amperesExponent(idle);
        }
        // B+ rises with the mains less its sag, so that current takes what is left of the dissipation.
        Band watts = exponent(point, idle, ratio);
        return new Band(watts.low() - 1, watts.mid() - 1, watts.high() - VOLTS_AT_LEAST);
    }

    private static final double VOLTS_AT_LEAST = 0.8;

    static Estimate carried(Estimate value, Band factor) {
        return factor.low() == factor.high() ? value.times(factor.mid()) : factor.times(value, SOURCE);
    }
}
