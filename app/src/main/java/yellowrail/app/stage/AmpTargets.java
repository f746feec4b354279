package yellowrail.app.stage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.targets.Targets;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.target.Target.Window;

/** Computes an amp's own target from its description and rounds, and remembers it until a reading is added. */
@Component
class AmpTargets implements Targets.Computing {
    private static final int REMEMBERED = 500;

    private record Key(UUID ampId, int version, long readings, List<Optional<TubeFacts>> tubes) {}

    private final FromAmp fromAmp;
    private final TubeFactsOf facts;
    private final StageTypes types;
    private final StageEngine engine;
    private final RoundStore rounds;
    private final Cache<Key, Targets.Computed> remembered =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    AmpTargets(FromAmp fromAmp, TubeFactsOf facts, StageTypes types, StageEngine engine, RoundStore rounds) {
        this.fromAmp = fromAmp;
        this.facts = facts;
        this.types = types;
        this.engine = engine;
        this.rounds = rounds;
    }

    @Override
    public Targets.Computed of(Amp amp) {
        try {
            Key key = new Key(
                    amp.id(),
                    amp.version(),
                    rounds.countReadings(amp.id()),
                    amp.description().stage().tubeTypes().stream()
                            .map(t -> types.typed(t, amp.description().judging().system()))
                            .toList());
            return remembered.get(key, k -> compute(amp));
        } catch (DataAccessException | TransactionException away) {
            return none("the database does not answer just now");
        }
    }

    private Targets.Computed compute(Amp amp) {
        Targets.Computed coldest = null;
        int channels = fromAmp.of(amp, 1).channels();
        // Of two channels the one that stands less sets the target for both.
        for (int channel = 1; channel <= channels; channel++) {
            Targets.Computed computed = compute(amp, fromAmp.of(amp, channel));
            if (computed.window().isEmpty()) {
                return computed;
            }
            coldest = coldest == null
                            || computed.window().get().high()
                                    < coldest.window().get().high()
                    ? computed
                    : coldest;
        }
        return coldest;
    }

    private Targets.Computed compute(Amp amp, AmpStage stage) {
        if (!stage.missing().isEmpty()) {
            return none(stage.missing());
        }
        TubeFactsOf.Answer tube = facts.of(stage.strict());
        // The idle is what is looked for: a resistor in the description does not fix it.
        StageReader.Read read = StageReader.read(stage.strict().said(StageFields.AT, ""), tube);
        if (read.setting().isEmpty()) {
            return none(read.complaints().byField().values().iterator().next().sentence());
        }
        TubeFacts f = tube.facts().orElseThrow();
        double band = f.curves().trust().plateBand();
        try {
            StageEngine.Computed idle = engine.picture(read.setting().get(), read.highest());
            if (!f.bands(idle).hold()) {
                return none(
                        "its volts lie outside what the curves were fitted on, so nothing tells how far they are off");
            }
            ComputedTarget target = engine.targetRemembered(read.setting().get(), f.judge(read.highest()));
            String counted = " The model's ±" + Show.plain(100 * band, 2) + " % is kept as a margin."
                    + (stage.strict().equals(stage.form())
                            ? ""
                            : " Resistances the readings do not tell are taken as none, the stricter.")
                    + " From rounds up to " + stage.lastRead() + "." + stage.leftOut();
            Optional<Window> window = target.window(amp.description().ceilingShare())
                    .map(w -> new Window(w.name(), w.low(), w.high(), w.why() + counted));
            return new Targets.Computed(window, window.map(AmpTargets::words).orElse(target.reason() + counted));
        } catch (NoSolution unsolved) {
            return none(unsolved.getMessage());
        }
    }

    private static String words(Window w) {
        return Show.fixed(100 * w.low(), 0) + " to " + Show.fixed(100 * w.high(), 0) + " % of the rating: " + w.why();
    }

    private static Targets.Computed none(String why) {
        return new Targets.Computed(
                Optional.empty(), "No target can be computed: " + why + (why.endsWith(".") ? "" : "."));
    }
}
