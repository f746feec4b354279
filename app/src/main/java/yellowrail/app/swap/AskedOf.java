package yellowrail.app.swap;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yellowrail.core.swap.Criterion;

/**
 * A criterion with the fields that answer it.
 *
 * @param id its name for addresses and scripts
 */
record AskedOf(String id, String title, List<Field> fields) {
    /**
     * A field.
     *
     * @param choices what can be picked; empty for a text
     */
    record Field(String name, String label, String hint, List<Choice> choices) {}

    /** A pick with its words. */
    record Choice(String value, String words) {}

    private static final List<Choice> YES_NO =
            List.of(new Choice("", "not answered"), new Choice("yes", "yes"), new Choice("no", "no"));

    private static final Map<Criterion, List<Field>> FIELDS = Map.of(
            Criterion.PINS,
            List.of(
                    text("tied", "Unused pins with parts", "none, or 1 6"),
                    new Field("oneToEight", "Pin 1 wired to 8", "", YES_NO),
                    new Field("oneToChassis", "Pin 1 at the chassis", "", YES_NO),
                    new Field("adaptor", "Adaptors used", "", List.of(new Choice("", "no"), new Choice("yes", "yes")))),
            Criterion.HEATER,
            List.of(
                    text("winding", "Winding gives, A", "4.4 A"),
                    text("others", "Other heaters, A", "0.6 A"),
                    text("reserve", "To stay free, %", "0 %")),
            Criterion.CONNECTION,
            List.of(new Field("screenTaps", "Transformer has screen taps", "", YES_NO)),
            Criterion.GRID_CIRCUIT,
            List.of(text("leak", "Grid resistor, Ω", "220 k"), text("sharing", "Tubes on it", "1")),
            Criterion.BIAS_RANGE,
            List.of(text("coldest", "Coldest end, V", "−60 V"), text("hottest", "Hottest end, V", "−35 V")),
            Criterion.CATHODE_PARTS,
            List.of(
                    text("resistorWatts", "Resistor rated, W", "5 W"),
                    text("bypassVolts", "Capacitor, V", "50 V, 0 for none")),
            Criterion.CORE_CURRENT,
            List.of(text("coreDc", "Rated for, mA DC", "80 mA")),
            Criterion.SUPPLY_CURRENT,
            List.of(
                    text("htDc", "Winding gives, mA DC", "250 mA"),
                    text("chokeDc", "Choke, mA", "0 for none"),
                    text("htOthers", "Everything else, mA", "20 mA")),
            Criterion.RECTIFIER,
            List.of(
                    text("rectifier", "Fitted now", "GZ34"),
                    text("rectifierThen", "To be fitted", "as now"),
                    text("firstCapacitor", "First capacitor, µF", "47")),
            Criterion.SIZE,
            List.of(
                    text("diameter", "Room across, mm", "50"),
                    text("height", "Room above, mm", "120"),
                    new Field("tried", "Held in place, it fits", "", YES_NO)));

    private static Field text(String name, String label, String hint) {
        return new Field(name, label, hint, List.of());
    }

    /** All criteria in the order of the sheet. */
    static List<AskedOf> all() {
        return Arrays.stream(Criterion.values())
                .map(c -> new AskedOf(id(c), c.title(), FIELDS.getOrDefault(c, List.of())))
                .toList();
    }

    static String id(Criterion criterion) {
        return criterion.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
