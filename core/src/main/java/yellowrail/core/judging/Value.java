package yellowrail.core.judging;

import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;

/**
 * A figure that is judged.
 *
 * @param figure in the unit of its limit, with its band
 * @param low with the low end of how it follows the mains, without the errors of the readings
 * @param high the same with the high end
 * @param from how it is known
 */
public record Value(Estimate figure, double low, double high, From from) {
    /** How a figure is known. */
    public enum From {
        READ,
        /** Carried to another mains than it was read at. */
        CARRIED,
        /** Computed by a model for that mains. */
        COMPUTED,
        /** Computed where nothing published is near: its band is not known, and only what lies above is told. */
        NOT_FITTED,
        /** Read in the amp that a computed stage is filled from. */
        MEASURED,
        /** The same, carried to another mains than it was read at. */
        MEASURED_CARRIED;

        /** Whether an estimate of how it follows the mains is in it. */
        boolean carried() {
            return this == CARRIED || this == MEASURED_CARRIED;
        }

        /** Whether it comes from a meter, not from a model. */
        public boolean measured() {
            return this != COMPUTED && this != NOT_FITTED;
        }

        /** Whether it is of a stage that is told in shares of its mains. */
        boolean ofStage() {
            return this != READ && this != CARRIED;
        }
    }

    private static final String SOURCE = "the model";

    public static Value read(Estimate figure) {
        return new Value(figure, figure.value(), figure.value(), From.READ);
    }

    /** @param band of the model, share to either side; infinite where nothing tells it */
    public static Value computed(double figure, double band) {
        boolean fitted = Double.isFinite(band);
        ErrorBudget errors = fitted ? ErrorBudget.exact().and(SOURCE, band) : ErrorBudget.exact();
        return new Value(new Estimate(figure, errors), figure, figure, fitted ? From.COMPUTED : From.NOT_FITTED);
    }

    /** The same with a further error, share to either side. */
    public Value and(String source, double share) {
        return new Value(figure.and(source, share), low, high, from);
    }

    /** The same, standing in for what a model would compute of a stage. */
    public Value inStage() {
        return new Value(figure, low, high, from == From.READ ? From.MEASURED : From.MEASURED_CARRIED);
    }

    /** Half width of its band as a share. */
    public double band() {
        return figure.errors().likely();
    }
}
