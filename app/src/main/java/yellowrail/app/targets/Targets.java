package yellowrail.app.targets;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import yellowrail.app.amps.Amp;
import yellowrail.app.settings.SettingStore;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.target.Target.Window;

/** The target windows that apply to an amp: those of the settings, and the one computed for its own stage. */
@Service
public class Targets {
    /** Computes an amp's own target; the stage does, which knows the amp's rounds. */
    public interface Computing {
        Computed of(Amp amp);
    }

    /**
     * A computed target, or why there is none.
     *
     * @param words the reason, with its numbers
     */
    public record Computed(Optional<Window> window, String words) {}

    private final SettingStore settings;
    private final Computing computing;

    Targets(SettingStore settings, Computing computing) {
        this.settings = settings;
        this.computing = computing;
    }

    public List<Window> windows(Amp amp) {
        List<Window> all = new ArrayList<>(settings.windows());
        computed(amp).window().ifPresent(all::add);
        return List.copyOf(all);
    }

    /** The windows an amp's verdict needs: the computed one only where the amp aims at it. For lists of many amps. */
    public List<Window> judging(Amp amp) {
        return amp.description().judging().target().equals(ComputedTarget.NAME) ? windows(amp) : settings.windows();
    }

    public Computed computed(Amp amp) {
        return computing.of(amp);
    }
}
