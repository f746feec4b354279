package yellowrail.app.rounds;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import yellowrail.core.round.Quantity;

/**
 * A round as typed. {@code values} holds one text for each point, named {@code quantity.point}, for example
 * {@code PLATE.V1}, {@code CURRENT.V1} or {@code MAINS.}.
 */
@Schema(description = "A round of readings. Quantities are texts as typed from the meter.")
public record RoundForm(
        @Schema(description = "Id of the round, made by the client (UUID); sending it twice stores once")
        String id,

        @Schema(description = "Amp version the round was taken with; blank for the newest")
        Integer ampVersion,

        @Schema(description = "When it was taken, ISO 8601 with offset; blank for now")
        String takenAt,

        @Schema(description = "Name of the meter, or basic, handheld, fine, bench as in a check; blank for handheld")
        String meter,

        @Schema(
                description = "Where plate volts were read: chassis, cathode, node or out; default chassis",
                allowableValues = {"", "chassis", "cathode", "node", "out"})
        String ref,

        @Schema(
                description = "yes when a limiter stood in series; blank is not asked",
                allowableValues = {"", "yes", "no"})
        String limiter,

        @Schema(
                description = "yes when the mains was turned down; blank is not asked",
                allowableValues = {"", "yes", "no"})
        String reduced,

        @Schema(
                description = "together, or before when volts were taken before the current last changed",
                allowableValues = {"", "together", "before"})
        String pair,

        @Schema(description = "How unequal tubes behind one point may be, per cent of the mean")
        String spread,

        @Schema(description = "A note") String note,

        @Schema(
                description =
                        "Readings by quantity and point: MAINS. (V), CURRENT.point (mV or V across the point's resistor, or"
                                + " mA), INDIVIDUAL.socket (mA), PLATE.socket (V), CATHODE.socket (V), SCREEN.socket (V),"
                                + " SCREEN_DROP.socket (V), GRID.socket (V), CHOKE. (V)",
                example = "{\"MAINS.\": \"231\", \"PLATE.V1\": \"431 V\", \"CURRENT.V1\": \"36.4 mV\"}")
        Map<String, String> values,

        @Schema(
                description =
                        "Points whose unusual value is right, by the names they have in values: what was asked about"
                                + " with status 409",
                example = "[\"CURRENT.V1\"]")
        List<String> confirmed) {
    public RoundForm {
        values = values == null ? Map.of() : values;
        confirmed = confirmed == null ? List.of() : List.copyOf(confirmed);
    }

    /** The points whose unusual values are confirmed: as they are typed now. */
    public List<String> confirmedPoints() {
        return confirmed.stream()
                .map(entry -> entry.split("=", 2))
                .filter(parts -> parts.length == 1 || parts[1].equals(values.get(parts[0])))
                .map(parts -> parts[0])
                .toList();
    }

    /** A round of which nothing unusual is confirmed. */
    public RoundForm(
            String id,
            Integer ampVersion,
            String takenAt,
            String meter,
            String ref,
            String limiter,
            String reduced,
            String pair,
            String spread,
            String note,
            Map<String, String> values) {
        this(id, ampVersion, takenAt, meter, ref, limiter, reduced, pair, spread, note, values, List.of());
    }

    /** What was typed for a quantity at a point; empty text when nothing was. */
    public String value(Quantity quantity, String point) {
        String text = values.get(key(quantity, point));
        return text == null ? "" : text;
    }

    public static String key(Quantity quantity, String point) {
        return quantity + "." + point;
    }
}
