package yellowrail.app.bench;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import yellowrail.app.text.CleanText;

/** An event as a device sends it. */
@Schema(description = "Something that happened in a session, as a device sends it.")
public record EventForm(
        @Schema(description = "Id made by the device (UUID); sending it twice stores once")
        String id,

        @Schema(description = "What happened", example = "read")
        String kind,

        @Schema(description = "When it was made, milliseconds since 1970 by the device's clock")
        Long madeAt,

        @Schema(description = "When it is sent, by the same clock: only the difference counts")
        Long sentAt,

        @Schema(description = "A name for the device, stable over the session")
        String device,

        @Schema(
                description = "The event's own fields as texts; readings as typed from the meter",
                example = "{\"quantity\": \"PLATE\", \"point\": \"V1\", \"text\": \"431 V\"}")
        Map<String, String> fields) {
    public EventForm {
        fields = fields == null ? Map.of() : fields;
    }

    /** A field's text, stripped; empty when it was not sent. */
    public String field(String name) {
        String text = fields.get(name);
        return text == null ? "" : CleanText.line(text).strip();
    }
}
