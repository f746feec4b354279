package yellowrail.app.forms;

import yellowrail.app.text.CleanText;

/** How long texts may be, the same on every page, in every entry and import, and how a text of one line is read. */
public final class Texts {
    /** Names of amps, targets, meters, devices, whoever signs; labels of tubes. */
    public static final int NAME = 60;
    /** Designations, names of sockets and nodes. */
    public static final int DESIGNATION = 40;
    /** Reasons and sources. */
    public static final int SENTENCE = 500;
    /** Notes, remarks, what was found. */
    public static final int NOTE = 2000;

    private Texts() {}

    /** A text on one line, without blanks at its ends; empty when there is none. */
    public static String line(String text) {
        return text == null ? "" : CleanText.line(text).strip();
    }

    /** What is said of a text that is too long. */
    public static String tooLong(int most, String text) {
        return "At most " + most + " characters; this has " + text.length() + ".";
    }
}
