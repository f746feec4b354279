package yellowrail.app.store;

import java.util.List;

/**
 * A swap as it was accepted: what was decided stays readable, whatever later versions would judge.
 *
 * @param from tubes before, for example {@code 2 × EL34}
 * @param to tubes described since
 * @param type designation of these
 * @param seen version of the amp's description that it was made for
 * @param overall word of the sheet
 * @param rows every criterion as judged
 * @param power what it would do to output power, in a sentence
 * @param work its steps, in order
 * @param answers the sheet's address: everything that was answered and typed
 * @param place of the candidate on that sheet, from 1
 */
public record StoredSwap(
        String from,
        String to,
        String type,
        int seen,
        String overall,
        List<Row> rows,
        String power,
        List<String> work,
        String answers,
        int place) {
    /** One criterion as it was judged. */
    public record Row(String title, String verdict, String value, String limit, String reason, String mend) {}

    public StoredSwap {
        rows = List.copyOf(rows);
        work = List.copyOf(work);
    }
}
