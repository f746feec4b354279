package yellowrail.core.swap;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** What a swap is judged by, in the order of the sheet: a new one is its row's file, a line here and the fields that answer it. */
public enum Criterion {
    PINS("Base and pins", asked(PinRow::of), Chassis.SocketWiring.UNANSWERED),
    HEATER("Heater current", asked(HeaterRow::of), Chassis.HeaterWinding.UNANSWERED),
    CONNECTION("Connection", (q, b, a) -> ConnectionRow.of(q), Chassis.Output.UNANSWERED),
    PLATE_VOLTS("Plate volts"),
    PEAK_VOLTS("Peak plate volts at full drive"),
    SCREEN_VOLTS("Screen volts"),
    CATHODE_CURRENT("Cathode current"),
    PLATE_HEAT("Plate dissipation"),
    SCREEN_HEAT("Screen dissipation"),
    SCREEN_RESISTORS("Heat in the screen resistors", solved(ScreenResistorRow::of), Chassis.ScreenParts.UNANSWERED),
    GRID_CIRCUIT("Grid-circuit resistance", (q, b, a) -> Optional.of(GridRow.of(q, a)), Chassis.GridCircuit.UNANSWERED),
    BIAS_RANGE(
            "Range of the bias control",
            solved((q, b, a) -> q.cathodeBias() ? Optional.empty() : Optional.of(BiasRow.of(q, a))),
            Chassis.BiasControl.UNANSWERED),
    CATHODE_RESISTOR(
            "Cathode resistor",
            solved((q, b, a) -> q.cathodeBias() ? Optional.of(CathodeRows.resistor(q, a)) : Optional.empty())),
    CATHODE_PARTS(
            "Cathode resistor and bypass capacitor at full drive",
            solved((q, b, a) ->
                    a.stage().biasing().cathodeOhms() > 0 ? Optional.of(CathodeRows.parts(q, a)) : Optional.empty()),
            Chassis.CathodeParts.UNANSWERED),
    LOAD("Load", solved((q, b, a) -> Optional.of(LoadRow.of(q, a)))),
    CORE_CURRENT(
            "Direct current in the output transformer",
            solved((q, b, a) -> CurrentRows.core(q, a)),
            Chassis.Output.UNANSWERED),
    SUPPLY_CURRENT(
            "High-tension current",
            solved((q, b, a) -> Optional.of(CurrentRows.supply(q, b, a))),
            Chassis.HighTension.UNANSWERED),
    RECTIFIER("Rectifier", solved(RectifierRow::of), Chassis.Rectification.UNTOLD),
    FIRST_CAPACITOR("Volts at the first capacitor", solved(FirstCapacitorRow::of), Chassis.Rectification.UNTOLD),
    DRIVE("Grid swing needed", solved((q, b, a) -> Optional.of(DriveRow.of(b, a)))),
    SIZE("Size", asked(SizeRow::of), Chassis.Room.UNANSWERED);

    /** The row of a sheet; empty where it does not apply, or where it needs a stage that could not be solved. */
    @FunctionalInterface
    interface Row {
        Optional<SwapRow> of(SwapQuestion question, Optional<SolvedStage> before, Optional<SolvedStage> after);
    }

    /** The same of a stage that is solved before and after. */
    @FunctionalInterface
    interface SolvedRow {
        Optional<SwapRow> of(SwapQuestion question, SolvedStage before, SolvedStage after);
    }

    private final String title;
    private final Row row;
    private final Optional<Chassis.Part> unanswered;

    Criterion(String title, Row row, Optional<Chassis.Part> unanswered) {
        this.title = title;
        this.row = row;
        this.unanswered = unanswered;
    }

    Criterion(String title, Row row, Chassis.Part unanswered) {
        this(title, row, Optional.of(unanswered));
    }

    Criterion(String title, Row row) {
        this(title, row, Optional.empty());
    }

    /** One of the limits, which are judged together. */
    Criterion(String title) {
        this(title, (q, b, a) -> Optional.empty());
    }

    private static Row asked(Function<SwapQuestion, SwapRow> of) {
        return (q, b, a) -> Optional.of(of.apply(q));
    }

    private static Row solved(SolvedRow of) {
        return (q, b, a) -> b.flatMap(before -> a.flatMap(after -> of.of(q, before, after)));
    }

    public String title() {
        return title;
    }

    Optional<SwapRow> row(SwapQuestion question, Optional<SolvedStage> before, Optional<SolvedStage> after) {
        return row.of(question, before, after);
    }

    /** What answers the criteria while nothing is answered. */
    static Stream<Chassis.Part> unanswered() {
        return Arrays.stream(values()).flatMap(c -> c.unanswered.stream());
    }
}
