package yellowrail.app.bench;

import io.swagger.v3.oas.annotations.media.Schema;

/** A session as begun: texts as typed. */
@Schema(description = "A bench session as it is begun. Quantities are texts as typed.")
public record BenchForm(
        @Schema(description = "Id made by the client (UUID); sending it twice begins it once")
        String id,

        @Schema(description = "Id of the amp (UUID)") String amp,

        @Schema(
                description = "Why it is on the bench",
                allowableValues = {"NEW_TUBES", "YEARLY_CHECK", "FAULT", "EXPERIMENT"})
        String purpose,

        @Schema(description = "Name of the meter, as in the settings")
        String meter,

        @Schema(
                description = "Where plate volts are read; blank is chassis",
                allowableValues = {"", "chassis", "cathode", "node"})
        String ref,

        @Schema(description = "Residual volts up to which hands go in, 1 to 30 V; blank for 10")
        String hands,

        @Schema(description = "How long the soak has to span, 10 to 1440 min; blank for 30")
        String soak,

        @Schema(description = "Heater deviation that is marked, per cent; blank for 5")
        String heaterAmber,

        @Schema(description = "Heater deviation that is too much, per cent; blank for 10")
        String heaterRed) {
    /** The usual answers. */
    static BenchForm usual(String id, String amp) {
        return new BenchForm(id, amp, "YEARLY_CHECK", "handheld", "chassis", "10", "30", "5", "10");
    }
}
