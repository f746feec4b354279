package yellowrail.app.amps;

import java.util.List;

/**
 * A field of an amp's form; the same name serves the page and JSON.
 *
 * @param each whether it is a list, one text for each socket, point or node
 * @param means what is typed in it, for the description of the JSON interface
 * @param words the words it takes; empty where it takes any text
 */
record AmpField(String name, boolean each, String means, List<String> words) {
    static AmpField text(String name, String means) {
        return new AmpField(name, false, means, List.of());
    }

    static AmpField list(String name, String means) {
        return new AmpField(name, true, means, List.of());
    }

    /** A pick; blank is one of its words. */
    static AmpField pick(String name, String means, List<String> words) {
        List<String> all = new java.util.ArrayList<>(List.of(""));
        all.addAll(words);
        return new AmpField(name, false, means, List.copyOf(all));
    }
}
