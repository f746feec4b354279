package yellowrail.app.web;

import java.sql.SQLException;

/** Sentences for pages that could not do what was asked. */
public final class ErrorTexts {
    /** Request attribute that carries the sentence to the error page. */
    public static final String SENTENCE = "yellowrail.sentence";

    /** Request attribute that carries the fields of a form that could not be stored. */
    static final String SENT = "yellowrail.sent";

    public static final String DATABASE =
            "The database does not answer just now. Nothing was saved, and what you typed is kept here: send it again in a moment.";

    static final String FULL_DISK =
            "The disk of this computer is full, so nothing could be saved. Make room; what you typed is kept here: send it again then.";

    static final String DATA =
            "What was sent cannot be stored as it is. Nothing was changed; going back keeps what you typed.";

    static final String FORM_TOKEN =
            "This form had no valid token, so nothing was saved. Go back, reload the page and send it again.";

    private ErrorTexts() {}

    /**
     * What a failed statement is told as.
     *
     * @param status of the answer
     * @param sentence for people
     */
    public record Told(int status, String sentence) {}

    /** By the state the database gave: it does not answer, its disk is full, or what it was given cannot be stored. */
    public static Told of(Throwable problem) {
        String state = "";
        for (Throwable cause = problem; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && sql.getSQLState() != null) {
                state = sql.getSQLState();
            }
        }
        if (state.equals("53100")) {
            return new Told(507, FULL_DISK);
        }
        boolean data = state.startsWith("22") || state.startsWith("23");
        return data ? new Told(422, DATA) : new Told(503, DATABASE);
    }
}
