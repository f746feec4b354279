package yellowrail.app.bench;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import yellowrail.app.forms.Words;
import yellowrail.core.reading.Show;
import yellowrail.core.session.Plan;

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
        String heaterRed,

        @Schema(
                description = "What is opened; blank is the chassis",
                allowableValues = {"", "points", "adaptors", "open"})
        String access,

        @Schema(
                description = "Whether one adaptor goes from socket to socket; blank is no",
                allowableValues = {"", "yes", "no"})
        String turns,

        @Schema(
                description = "Whether the currents are watched over a soak; blank is yes",
                allowableValues = {"", "yes", "no"})
        String soaks,

        @Schema(description = "Tubes to be changed: names of sockets parted by blanks, or “all”; blank for none")
        String changing) {
    /** The usual answers. */
    static BenchForm usual(String id, String amp) {
        return new BenchForm(
                id, amp, "YEARLY_CHECK", "handheld", "chassis", "10", "30", "5", "10", "open", "no", "yes", "");
    }

    /** As this amp was worked on last time; its purpose is asked anew. */
    static BenchForm asBefore(String id, String amp, Plan last) {
        return new BenchForm(
                id,
                amp,
                "YEARLY_CHECK",
                last.meter().name(),
                word(Words.REFERENCE, last.reference()),
                Show.plain(last.handsVolts(), 4),
                Show.plain(last.soakMinutes(), 4),
                Show.plain(last.heaterAmber(), 3),
                Show.plain(last.heaterRed(), 3),
                word(Words.ACCESS, last.setup().access()),
                last.setup().byTurns() ? "yes" : "no",
                last.setup().soaks() ? "yes" : "no",
                "");
    }

    /** The same for an amp that was never measured: its tubes are as unknown as new ones. */
    BenchForm strange() {
        return new BenchForm(
                id, amp, "NEW_TUBES", meter, ref, hands, soak, heaterAmber, heaterRed, access, turns, soaks, changing);
    }

    /** The same begun for new tubes in every socket. */
    BenchForm forNewTubes() {
        return new BenchForm(
                id, amp, "NEW_TUBES", meter, ref, hands, soak, heaterAmber, heaterRed, access, turns, soaks, "all");
    }

    private static <T> String word(Map<String, T> words, T value) {
        return words.entrySet().stream()
                .filter(e -> e.getValue() == value)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("");
    }
}
