package yellowrail.app.forms;

import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * One idle check as it is asked, in words as typed. The same names serve the page's address and the JSON interface.
 * Every component may be null or blank: blank is not known.
 */
@Schema(
        description = "An idle check. Quantities are texts as typed from a meter, with or without a unit; a bare number"
                + " takes the unit given here. Blank means not known.")
public record CheckForm(
        @Schema(description = "Tube type, designation or alias", example = "6L6GC")
        String tube,

        @Schema(description = "Edition of the ratings to judge by; blank for the lowest plate rating")
        String edition,

        @Schema(
                description = "pp (push-pull) or se (single-ended); default pp",
                allowableValues = {"", "pp", "se"})
        String topology,

        @Schema(
                description = "pentode, ul (ultralinear) or triode; default pentode",
                allowableValues = {"", "pentode", "ul", "triode"})
        String connection,

        @Schema(description = "Ultralinear tap, per cent of the half primary's turns")
        String tap,

        @Schema(
                description =
                        "unknown (fixed, supply not known), tracking, constant, cathode or mixed; default unknown, or"
                                + " cathode when the current is read across a cathode-bias resistor",
                allowableValues = {"", "unknown", "tracking", "constant", "cathode", "mixed"})
        String bias,

        @Schema(description = "Plate voltage, V", example = "431 V")
        String volts,

        @Schema(
                description = "chassis, cathode, node (supply node) or out (tubes out); default chassis",
                allowableValues = {"", "chassis", "cathode", "node", "out"})
        String ref,

        @Schema(description = "Cathode to chassis, V") String vk,

        @Schema(description = "Half-primary resistance for a reading at the supply node, Ω")
        String rhalf,

        @Schema(description = "Tubes on that half primary, 1 to 4")
        String side,

        @Schema(description = "How the current was taken; blank is own")
        String method,

        @JsonAnySetter @Schema(hidden = true) Map<String, String> sensing,

        @Schema(
                description =
                        "What the meter shows: mV for a sense resistor or adaptor, V for a cathode resistor, winding,"
                                + " choke or grid, mA for a direct reading, divisions for a panel meter",
                example = "36.4 mV")
        String reading,

        @Schema(
                description = "Screen current: share (the type's usual share), measured, or none (not counted); default"
                        + " share",
                allowableValues = {"", "share", "measured", "none"})
        String screen,

        @Schema(description = "Drop over the screen resistor, V")
        String g2drop,

        @Schema(description = "Screen resistor, Ω") String g2r,

        @Schema(description = "Screens fed through that resistor, 1 to 8")
        String g2n,

        @Schema(description = "Screen to chassis, V") String vg2,

        @Schema(
                description =
                        "Meter: basic, handheld, fine, bench, own, or the name of a meter kept in the settings; default handheld")
        String meter,

        @Schema(description = "Own meter, volts: per cent of reading and counts", example = "0.5+2")
        String accv,

        @Schema(description = "Own meter, current: per cent of reading and counts", example = "1.2+3")
        String acca,

        @Schema(description = "Own meter, ohms: per cent of reading and counts", example = "0.8+2")
        String acco,

        @Schema(description = "Mains voltage when the readings were taken, V", example = "231")
        String mains,

        @Schema(description = "Nominal mains, V; default 230", example = "230")
        String nominal,

        @Schema(description = "Highest mains expected, V; blank for nominal + 10 %", example = "253")
        String highest,

        @Schema(
                description = "yes when a limiter stood in series",
                allowableValues = {"", "yes", "no"})
        String limiter,

        @Schema(
                description = "yes when the mains was turned down",
                allowableValues = {"", "yes", "no"})
        String reduced,

        @Schema(
                description =
                        "together, or before when the volts were taken before the current was last changed or more"
                                + " than 10 minutes earlier; default together",
                allowableValues = {"", "together", "before"})
        String pair,

        @Schema(description = "With pair=before: minutes between volts and current")
        String minutes,

        @Schema(description = "With pair=before: how much the current moved since the volts were taken, per cent")
        String moved,

        @Schema(description = "How unequal tubes behind one reading may be, per cent of the mean")
        String spread,

        @Schema(description = "Target: a profile's name, own, maker, or blank for none", example = "middle")
        String target,

        @Schema(description = "Own target window: lower edge, per cent of the rating")
        String lo,

        @Schema(description = "Own target window: upper edge, per cent of the rating")
        String hi,

        @Schema(description = "Maker's figure: what the test point shall show, unit as for reading")
        String maker,

        @Schema(description = "Ceiling, per cent of the rating; blank for the usual one")
        String ceiling,

        @Schema(
                description =
                        "Fields whose unusual value is right, separated by semicolons: what was asked about with status 409. With"
                                + " “:” and the text behind the name it counts only while that is what is typed",
                example = "reading")
        String confirmed) {
    public CheckForm {
        sensing = SensingTexts.of(sensing);
    }

    /** The component that holds what the ways of taking current ask for; their names are those of their parameters. */
    private static final String SENSING = "sensing";

    /** The value, or the default when it is blank. */
    public static String or(String value, String fallback) {
        return value == null || value.isBlank() ? fallback : value.strip();
    }

    private static final List<String> NAMES = Arrays.stream(CheckForm.class.getRecordComponents())
            .map(RecordComponent::getName)
            .flatMap(n -> n.equals(SENSING) ? SensingTexts.names().stream() : Stream.of(n))
            .toList();

    /** The names of the fields, in order. */
    public static List<String> names() {
        return NAMES;
    }

    /** What is typed in the field of this name. */
    String typed(String name) {
        try {
            for (RecordComponent component : CheckForm.class.getRecordComponents()) {
                if (component.getName().equals(name)) {
                    return or((String) component.getAccessor().invoke(this), "");
                }
            }
            return or(sensing.get(name), "");
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static final Constructor<?> CONSTRUCTOR = CheckForm.class.getDeclaredConstructors()[0];

    /**
     * A form from request parameters. The framework's own binding looks up the annotations of all these components anew for
     * each request, which takes longer than everything else a check needs.
     */
    public static CheckForm from(UnaryOperator<String> parameter) {
        try {
            return (CheckForm) CONSTRUCTOR.newInstance(Arrays.stream(CheckForm.class.getRecordComponents())
                    .map(RecordComponent::getName)
                    .map(n -> n.equals(SENSING) ? SensingTexts.from(parameter) : parameter.apply(n))
                    .toArray());
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
