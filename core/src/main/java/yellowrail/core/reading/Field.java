package yellowrail.core.reading;

import java.util.Set;

/**
 * What a field expects: the unit a bare number takes, and which values are plausible there.
 *
 * @param name what is asked for, in the builder's words ("plate volts")
 * @param unit the unit of a bare number
 * @param shown the prefix shown in the field and taken by a bare number
 * @param low smallest plausible magnitude, in the unit's base
 * @param high largest plausible magnitude, in the unit's base
 * @param also other units that may be typed with their symbol (a current where volts are usual)
 * @param sign which signs are taken
 */
public record Field(String name, Unit unit, Prefix shown, double low, double high, Set<Unit> also, Sign sign) {
    /** Which signs a field takes. */
    public enum Sign {
        ABOVE_ZERO,
        ZERO_OR_ABOVE,
        EITHER
    }

    public Field {
        if (!(low >= 0) || !(high > low)) {
            throw new IllegalArgumentException("plausible range must rise from zero: " + low + " to " + high);
        }
        also = Set.copyOf(also);
    }

    public static Field of(String name, Unit unit, Prefix shown, double low, double high) {
        return new Field(name, unit, shown, low, high, Set.of(), Sign.ZERO_OR_ABOVE);
    }

    public Field accepting(Unit other) {
        return new Field(name, unit, shown, low, high, Set.of(other), sign);
    }

    public Field signed() {
        return new Field(name, unit, shown, low, high, also, Sign.EITHER);
    }

    public Field aboveZero() {
        return new Field(name, unit, shown, low, high, also, Sign.ABOVE_ZERO);
    }

    /** The unit as shown beside the field, for example {@code mV}. */
    public String shownUnit() {
        return shown.symbol() + unit.symbol();
    }

    /** Whether a value lies where the field ends; zero does where it is taken, and so does what is smaller than usual. */
    public boolean within(double value) {
        return Math.abs(value) <= high && (sign != Sign.ABOVE_ZERO || value >= low);
    }

    /** Whether a value of this size, in the unit's base, is one that is read there; zero always is. */
    public boolean plausible(double value) {
        double size = Math.abs(value);
        return size == 0 || (size >= low && size <= high);
    }
}
