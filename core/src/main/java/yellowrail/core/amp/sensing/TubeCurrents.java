package yellowrail.core.amp.sensing;

/** Idle currents of one tube, A, zero or above. */
public record TubeCurrents(double plate, double screen) {
    public TubeCurrents {
        if (!(plate >= 0) || !(screen >= 0)) {
            throw new IllegalArgumentException("tube currents are zero or above: " + plate + " A, " + screen + " A");
        }
    }

    public double cathode() {
        return plate + screen;
    }
}
