package yellowrail.app.bench;

/** A session as begun: texts as typed. */
public record BenchForm(
        String id,
        String amp,
        String purpose,
        String meter,
        String ref,
        String hands,
        String soak,
        String heaterAmber,
        String heaterRed) {
    /** The usual answers. */
    static BenchForm usual(String id, String amp) {
        return new BenchForm(id, amp, "YEARLY_CHECK", "handheld", "chassis", "10", "30", "5", "10");
    }
}
