package yellowrail.core.stage;

/**
 * How the grids are biased.
 *
 * @param gridA grid supply of side 0, V, zero or below; zero with cathode bias alone
 * @param gridB grid supply of side 1, V, zero or below
 * @param cathodeOhms cathode resistor, Ω; zero for none
 * @param shared whether all tubes share that resistor, else each has its own
 */
public record Biasing(double gridA, double gridB, double cathodeOhms, boolean shared) {
    public Biasing {
        if (!(gridA <= 0 && gridA >= -300) || !(gridB <= 0 && gridB >= -300)) {
            throw new IllegalArgumentException("grid bias from −300 to 0 V, not " + gridA + " V and " + gridB + " V");
        }
        if (!(cathodeOhms >= 0 && cathodeOhms <= 1e5)) {
            throw new IllegalArgumentException("a cathode resistor of " + cathodeOhms + " Ω; 0 to 100 kΩ");
        }
    }

    public static Biasing fixed(double grid) {
        return new Biasing(grid, grid, 0, false);
    }

    public static Biasing cathode(double ohms, boolean shared) {
        return new Biasing(0, 0, ohms, shared);
    }
}
