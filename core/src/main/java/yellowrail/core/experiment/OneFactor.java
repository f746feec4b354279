package yellowrail.core.experiment;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What differs between the circumstances of two results. Only one difference may be credited; a factor that is not said on
 * one side may have changed too.
 *
 * @param changes factors said on both sides and differing
 * @param unsaid factors not said on at least one side
 */
public record OneFactor(List<Change> changes, List<String> unsaid) {
    /** A factor with its value then and now, as typed. */
    public record Change(String factor, String before, String now) {
        String words() {
            return factor + " (“" + before + "”, then “" + now + "”)";
        }
    }

    public OneFactor {
        changes = List.copyOf(changes);
        unsaid = List.copyOf(unsaid);
    }

    /** @param factors names in the order they are told */
    public static OneFactor between(List<String> factors, Map<String, String> before, Map<String, String> now) {
        List<Change> changes = new ArrayList<>();
        List<String> unsaid = new ArrayList<>();
        for (String factor : factors) {
            String was = before.getOrDefault(factor, "").strip();
            String is = now.getOrDefault(factor, "").strip();
            if (was.isEmpty() || is.isEmpty()) {
                unsaid.add(factor);
            } else if (!was.equalsIgnoreCase(is)) {
                changes.add(new Change(factor, was, is));
            }
        }
        return new OneFactor(changes, unsaid);
    }

    /** Whether a difference of the results may be credited to one factor. */
    public boolean creditable() {
        return changes.size() == 1 && unsaid.isEmpty();
    }

    public String sentence() {
        return said() + (unsaid.isEmpty() ? "" : " Not said on both sides: " + String.join(", ", unsaid) + ".");
    }

    private String said() {
        return switch (changes.size()) {
            case 0 ->
                unsaid.isEmpty()
                        ? "Nothing changed since the last result: a repeat, which shows the scatter of measuring."
                        : "Nothing is said to have changed since the last result, but not everything is said.";
            case 1 ->
                "Since the last result " + (unsaid.isEmpty() ? "only " : "")
                        + changes.get(0).words() + " changed" + (unsaid.isEmpty() ? "." : ", as far as is said.");
            default ->
                changes.size() + " things changed since the last result: "
                        + String.join(", ", changes.stream().map(Change::words).toList())
                        + ". A difference cannot be credited to any one of them. The control: one more result with only "
                        + changes.get(0).factor() + " changed.";
        };
    }
}
