package yellowrail.core.swap;

/** What a swap is judged by, in the order of the sheet. */
public enum Criterion {
    PINS("Base and pins"),
    HEATER("Heater current"),
    CONNECTION("Connection"),
    PLATE_VOLTS("Plate volts"),
    PEAK_VOLTS("Peak plate volts at full drive"),
    SCREEN_VOLTS("Screen volts"),
    CATHODE_CURRENT("Cathode current"),
    PLATE_HEAT("Plate dissipation"),
    SCREEN_HEAT("Screen dissipation"),
    SCREEN_RESISTORS("Heat in the screen resistors"),
    GRID_CIRCUIT("Grid-circuit resistance"),
    BIAS_RANGE("Range of the bias control"),
    CATHODE_RESISTOR("Cathode resistor"),
    CATHODE_PARTS("Cathode resistor and bypass capacitor at full drive"),
    LOAD("Load"),
    CORE_CURRENT("Direct current in the output transformer"),
    SUPPLY_CURRENT("High-tension current"),
    RECTIFIER("Rectifier"),
    FIRST_CAPACITOR("Volts at the first capacitor"),
    DRIVE("Grid swing needed"),
    SIZE("Size");

    private final String title;

    Criterion(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
