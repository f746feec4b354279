package yellowrail.core.swap;

import java.util.List;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.Known;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/**
 * The stage as it is.
 *
 * @param ratings the publication its idle is a share of
 * @param trust of the present type's curves
 * @param setting at nominal mains and the fitted load, with its idle
 * @param scheme how its grids are biased
 * @param lowest lowest mains, share of nominal
 * @param highest highest mains, share of nominal
 * @param margin share of the ratings that is not to be passed, at most 1
 * @param read how its tubes were read at that idle, for each thing the bias can turn out to be; empty where they were not
 */
public record Present(
        TubeType type,
        Ratings ratings,
        ModelTrust trust,
        StageSetting setting,
        BiasScheme scheme,
        double lowest,
        double highest,
        double margin,
        List<Known> read) {
    public Present {
        read = List.copyOf(read);
        if (!(margin > 0 && margin <= 1)) {
            throw new IllegalArgumentException("a margin of " + 100 * margin + " %; above 0, at most 100 %");
        }
    }

    /** The same while this is played. */
    public Present playing(Duty duty) {
        return new Present(type, ratings, trust, setting.playing(duty), scheme, lowest, highest, margin, read);
    }

    /** With its idle set. */
    Stage stage() {
        return setting.stage();
    }

    int tubes() {
        return setting.described().tubes().size();
    }

    int tubesOnASide() {
        return setting.described().pushPull() ? tubes() / 2 : tubes();
    }

    /** {@code 2 × EL34}. */
    public String words() {
        return tubes() + " × " + type.designation();
    }
}
