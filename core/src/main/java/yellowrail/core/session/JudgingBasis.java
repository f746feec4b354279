package yellowrail.core.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;

/**
 * What a session's readings are judged by.
 *
 * @param types the tube types as they were when the session began, by designation
 * @param windows all target windows
 * @param makersFigure the maker's figure as a target, if the amp has one
 * @param changed what was changed of the description or a type since the session was begun
 */
public record JudgingBasis(
        Map<String, TubeType> types, List<Window> windows, Optional<Target> makersFigure, List<Change> changed) {
    /**
     * A description or type that became another one during the session.
     *
     * @param sentence what was changed, and what that means
     * @param since from when on readings count by the newer one, milliseconds since 1970; empty when none of this session does
     */
    public record Change(String sentence, Optional<Long> since) {}

    public JudgingBasis(Map<String, TubeType> types, List<Window> windows, Optional<Target> makersFigure) {
        this(types, windows, makersFigure, List.of());
    }

    public JudgingBasis {
        changed = List.copyOf(changed);
        types = Map.copyOf(types);
        windows = List.copyOf(windows);
    }

    Optional<Target> target(String name) {
        return name.equals(Target.MakersFigure.NAME)
                ? makersFigure
                : windows.stream()
                        .filter(w -> w.name().equals(name))
                        .map(w -> (Target) w)
                        .findFirst();
    }
}
