package yellowrail.app.amps;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import yellowrail.app.forms.SensingTexts;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Ways;

/** An amp's description as typed; blank is not known. Lists run in step, one entry for each socket, point or node. */
@Schema(description = "An output stage as typed. Quantities are texts with or without a unit; blank means not known.")
public record AmpForm(
        @Schema(description = "Name, 1 to 60 characters", example = "Bittern 50")
        String name,

        @Schema(
                description = "pp or se; blank is pp",
                allowableValues = {"", "pp", "se"})
        String topology,

        @Schema(
                description = "Where the screens are fed from; blank is pentode",
                allowableValues = {"", "pentode", "ul", "triode"})
        String connection,

        @Schema(description = "Ultralinear tap, per cent") String tap,

        @Schema(
                description = "What the bias does; blank is unknown",
                allowableValues = {"", "unknown", "tracking", "constant", "cathode", "mixed"})
        String bias,

        @Schema(
                description = "Bias controls; blank is not known",
                allowableValues = {
                    "",
                    "none",
                    "level",
                    "balance",
                    "level_and_balance",
                    "per_side",
                    "per_tube",
                    "cathode_own",
                    "cathode_shared"
                })
        String controls,

        @Schema(description = "Names of the sockets in measuring order, 1 to 8")
        List<String> socketName,

        @Schema(description = "Channel of each socket, 1 or 2")
        List<String> socketChannel,

        @Schema(description = "Side of each socket, A or B") List<String> socketSide,
        @Schema(description = "Tube type of each socket") List<String> socketType,

        @Schema(description = "How the current is taken; blank is own")
        String method,

        @Schema(
                description = "What shares a sense point; blank is tube",
                allowableValues = {"", "tube", "side", "channel", "all"})
        String grouping,

        @Schema(description = "Measured resistance of each sense point, Ω, in the order of the points")
        List<String> rm,

        @JsonAnySetter @JsonAnyGetter @Schema(hidden = true) Map<String, String> sensing,

        @Schema(description = "Resistor of each screen, Ω") String screenOhms,

        @Schema(description = "Choke or B+ resistor for a cross-check of the total, Ω")
        String chokeOhms,

        @Schema(description = "Nominal mains, V") String nominal,
        @Schema(description = "Lowest mains, V") String lowest,
        @Schema(description = "Highest mains, V") String highest,
        @Schema(description = "Names of B+ and bias nodes") List<String> nodeLabel,

        @Schema(description = "Capacitance of each node, µF")
        List<String> nodeFarads,

        @Schema(description = "Rated volts of each node's capacitor, V")
        List<String> nodeVolts,

        @Schema(description = "Reflected load, plate to plate, Ω")
        String zaa,

        @Schema(description = "Heater winding, V") String heaterVolts,
        @Schema(description = "Heater winding's rating, A") String heaterAmperes,

        @Schema(description = "High-tension winding's DC rating, mA")
        String supplyAmperes,

        @Schema(description = "What to know before the first reading")
        String quirks,

        @Schema(description = "Maker's figure: what the amp's test point shall show, unit as for its readings")
        String maker,

        @Schema(description = "Name of the target window, or maker's figure; blank for none")
        String target,

        @Schema(
                description =
                        "Rating system to judge by: DESIGN_CENTRE, DESIGN_MAXIMUM or ABSOLUTE; blank for the lowest plate"
                                + " rating")
        String judgeBy,

        @Schema(description = "Ceiling, per cent of the rating; blank for the usual one")
        String ceiling) {
    public AmpForm {
        socketName = orEmpty(socketName);
        socketChannel = orEmpty(socketChannel);
        socketSide = orEmpty(socketSide);
        socketType = orEmpty(socketType);
        rm = orEmpty(rm);
        sensing = SensingTexts.of(sensing);
        nodeLabel = orEmpty(nodeLabel);
        nodeFarads = orEmpty(nodeFarads);
        nodeVolts = orEmpty(nodeVolts);
    }

    private static List<String> orEmpty(List<String> list) {
        return list == null
                ? List.of()
                : list.stream().map(s -> s == null ? "" : s).toList();
    }

    /**
     * The names of the fields, in order. What only one check is asked is none of them, nor how many tubes stand behind a point:
     * the sockets tell it.
     */
    public static List<String> names() {
        return NAMES;
    }

    private static final List<String> NAMES = Arrays.stream(AmpForm.class.getRecordComponents())
            .map(RecordComponent::getName)
            .flatMap(n -> n.equals("sensing") ? sensingNames() : Stream.of(n))
            .toList();

    private static Stream<String> sensingNames() {
        return Ways.kept().stream()
                .flatMap(w -> w.parameters().stream())
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK)
                .map(Parameter::name)
                .distinct();
    }

    /** The same with what a request holds for the way of taking current. */
    public AmpForm sensing(UnaryOperator<String> parameter) {
        Map<String, String> texts = SensingTexts.from(parameter);
        // Measured at each point, these have a list of their own.
        Ways.parameters().stream()
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY_OF_POINT)
                .forEach(p -> texts.remove(p.name()));
        return with(Map.of("sensing", texts));
    }

    /** The same with other texts in some of the components. */
    public AmpForm with(Map<String, Object> changed) {
        try {
            RecordComponent[] components = AmpForm.class.getRecordComponents();
            Object[] values = new Object[components.length];
            for (int i = 0; i < components.length; i++) {
                String name = components[i].getName();
                values[i] = changed.containsKey(name)
                        ? changed.get(name)
                        : components[i].getAccessor().invoke(this);
            }
            return (AmpForm) AmpForm.class.getDeclaredConstructors()[0].newInstance(values);
        } catch (ReflectiveOperationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    static String at(List<String> list, int index) {
        return index < list.size() ? list.get(index) : "";
    }
}
