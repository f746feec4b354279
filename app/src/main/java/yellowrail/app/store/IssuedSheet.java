package yellowrail.app.store;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Outcome;

/**
 * A sheet, ready to be printed; also kept as JSON.
 *
 * @param open what keeps it from being proven
 * @param edition the edition of the rules it was judged by
 * @param findings what was found and has to be cleared up
 * @param again what began a soak anew
 * @param outcome the figures behind the words
 */
public record IssuedSheet(
        String amp,
        String purpose,
        String day,
        String by,
        String remarks,
        String state,
        String stateWords,
        List<String> open,
        String edition,
        List<Found> findings,
        List<String> again,
        String target,
        String ceiling,
        String mains,
        String method,
        List<Tube> tubes,
        List<Fan> fans,
        String exponent,
        List<String> notMeasured,
        List<String> skipped,
        List<String> changes,
        List<String> tiers,
        List<String> notes,
        List<String> checks,
        String recheck,
        LocalDate recheckOn,
        String recheckDay,
        Outcome outcome) {
    public IssuedSheet {
        findings = List.copyOf(findings);
        again = List.copyOf(again);
    }

    /** Something found, and what became of it. */
    public record Found(String kind, String tube, String sentence, String state, boolean open) {}

    /** One tube before and after. */
    public record Tube(
            String socket,
            String type,
            String label,
            String beforeMilliamperes,
            String beforeWatts,
            String afterMilliamperes,
            String afterWatts,
            String percent,
            String ratio,
            String verdict,
            Optional<Strip> strip) {}

    /** A watt strip in units of a 300 wide picture, 0 to 120 % of the rating. */
    public record Strip(
            double block, double low, double high, double window, double windowWidth, double ceiling, double rating) {}

    /** Dissipation of a tube over the mains. */
    public record Fan(String socket, String lowest, String nominal, String highest, String highestPercent) {}
}
