package yellowrail.core.amp;

import java.util.List;
import java.util.stream.Stream;

/**
 * What an output stage plays. Ratings of dissipation are averages, and what the average is depends on it. Each includes the
 * quieter ones and idle: heat does not rise evenly with the drive.
 */
public enum Duty {
    /** Narrow-band noise: the mean square of the grids' drive is an eighth of the full sine's. */
    MUSIC("music at home"),
    /** The same at a third of it. */
    CLEAN("guitar, clean"),
    /** Half of the time a sine clipped at the grids to a crest of 1.1, the other half as {@link #CLEAN}. */
    HARD("guitar, driven hard"),
    /** A full sine, held, at the worst of all levels; stands by itself, with idle. */
    TONE("test tone"),
    /** One of the three that are played: where they differ is an open question. Pictures show the loudest. */
    NOT_SAID("not said");

    /** What is played, from quiet to loud. */
    public static final List<Duty> PLAYED = List.of(MUSIC, CLEAN, HARD);

    private final String words;

    Duty(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** What a figure with signal is the highest of, in words behind it. */
    public String over() {
        return switch (this) {
            case TONE -> "over all levels of a test tone";
            case NOT_SAID -> "over all that may be played";
            case MUSIC -> "with " + words;
            default -> "with " + words + ", or quieter";
        };
    }

    /** Itself and the quieter ones, from quiet to loud; none for a tone, which is judged by its levels. */
    public List<Duty> included() {
        return PLAYED.stream()
                .filter(d -> this != TONE && d.compareTo(this) <= 0)
                .toList();
    }

    /** What this can turn out to be, the one that pictures show first. */
    public List<Duty> outcomes() {
        return this == NOT_SAID ? List.of(HARD, CLEAN, MUSIC) : List.of(this);
    }

    /** Those that are louder, from quiet to loud; none beside a tone. */
    public Stream<Duty> louder() {
        return PLAYED.stream().filter(d -> d.compareTo(this) > 0);
    }
}
