package yellowrail.app.web;

/** Sentences for pages that could not do what was asked. */
public final class Trouble {
    /** Request attribute that carries the sentence to the error page. */
    public static final String SENTENCE = "yellowrail.sentence";

    /** Request attribute that carries the fields of a form that could not be stored. */
    static final String SENT = "yellowrail.sent";

    public static final String DATABASE =
            "The database does not answer just now. Nothing was saved, and what you typed is kept here: send it again in a moment.";

    static final String FORM_TOKEN =
            "This form had no valid token, so nothing was saved. Go back, reload the page and send it again.";

    private Trouble() {}
}
