package yellowrail.app.web;

/** Sentences for pages that could not do what was asked. */
public final class Trouble {
    /** Request attribute that carries the sentence to the error page. */
    public static final String SENTENCE = "yellowrail.sentence";

    public static final String DATABASE =
            "The database does not answer, so nothing was saved. What you typed is still here; it is being restarted, send it again in a moment.";

    static final String FORM_TOKEN =
            "This form had no valid token, so nothing was saved. Go back, reload the page and send it again.";

    private Trouble() {}
}
