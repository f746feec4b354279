package yellowrail.app.rounds;

import static yellowrail.app.forms.CheckForm.or;

import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.round.Quantity;

/**
 * A round as typed. {@code values} holds one text for each point, named {@code quantity.point}, for example
 * {@code PLATE.V1}, {@code CURRENT.V1} or {@code MAINS.}.
 *
 * @param said what is said beside the readings, by the names of {@link RoundFields}
 */
@Schema(description = "A round of readings. Quantities are texts as typed from the meter.")
public record RoundForm(
        @Schema(description = "Id of the round, made by the client (UUID); sending it twice stores once")
        String id,

        @Schema(description = "Amp version the round was taken with; blank for the newest")
        Integer ampVersion,

        @JsonAnySetter @Schema(hidden = true) Map<String, String> said,

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
        said = said == null ? Map.of() : said;
        values = values == null ? Map.of() : values;
        confirmed = confirmed == null ? List.of() : List.copyOf(confirmed);
    }

    /** Readings of which nothing else is said and nothing unusual confirmed. */
    public static RoundForm of(String id, Map<String, String> values) {
        return new RoundForm(id, null, Map.of(), values, List.of());
    }

    /** The same with a field's text. */
    public RoundForm saying(FieldSpec<?> field, String text) {
        Map<String, String> all = new LinkedHashMap<>(said);
        all.put(field.name(), text);
        return new RoundForm(id, ampVersion, all, values, confirmed);
    }

    /** What is said in a field; empty where nothing is. */
    public String text(FieldSpec<?> field) {
        return or(said.get(field.name()), "");
    }

    /** The points whose unusual values are confirmed: as they are typed now. */
    public List<String> confirmedPoints() {
        return confirmed.stream()
                .map(entry -> entry.split("=", 2))
                .filter(parts -> parts.length == 1 || parts[1].equals(values.get(parts[0])))
                .map(parts -> parts[0])
                .toList();
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
