package yellowrail.app.stage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.judging.Known;

/**
 * How the tubes of an amp were read, for a stage that still is that amp's: once anything that moves the idle is changed, or
 * the amp is read or described anew, what was read stands for it no more.
 */
@Component
class OwnReadings {
    private static final int REMEMBERED = 500;
    private static final Pattern WHOSE = Pattern.compile("([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})/([12])");

    /** What an idle does not hang on. */
    private static final Set<String> BESIDE = Set.of("load", "loadFactor", "secondary", "judge", "margin", "clean");

    private record Key(UUID amp, int version, long readings, int channel, List<Optional<TubeFacts>> tubes) {}

    private final FromAmp fromAmp;
    private final AmpStore amps;
    private final RoundStore rounds;
    private final StageTypes types;
    private final Cache<Key, AmpStage> remembered =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    OwnReadings(FromAmp fromAmp, AmpStore amps, RoundStore rounds, StageTypes types) {
        this.fromAmp = fromAmp;
        this.amps = amps;
        this.rounds = rounds;
        this.types = types;
    }

    /** A channel of an amp, as an address names its readings. */
    record Whose(UUID amp, int channel) {
        /** Empty for nobody's. */
        static Optional<Whose> read(String name, String text, FieldErrors complaints) {
            Matcher whose = WHOSE.matcher(text);
            if (whose.matches()) {
                return Optional.of(new Whose(UUID.fromString(whose.group(1)), Integer.parseInt(whose.group(2))));
            }
            if (!text.isEmpty()) {
                complaints.add(name, "“" + FieldErrors.shorten(text) + "” names no channel of an amp.");
            }
            return Optional.empty();
        }

        @Override
        public String toString() {
            return amp + "/" + channel;
        }
    }

    /** One for each thing the bias can turn out to be; none where nothing was read of this very stage. */
    List<Known> of(StageForm form) {
        Optional<Whose> whose = form.picked(StageFields.READINGS);
        if (whose.isEmpty()) {
            return List.of();
        }
        try {
            AmpStage stage = stage(amps.amp(whose.get().amp()), whose.get().channel());
            return BESIDE.containsAll(form.differing(stage.form())) ? stage.read() : List.of();
        } catch (NotThere | DataAccessException | TransactionException away) {
            // Without them the model's figures stand, with their wider band.
            return List.of();
        }
    }

    private AmpStage stage(Amp amp, int channel) {
        Key key = new Key(
                amp.id(),
                amp.version(),
                rounds.countReadings(amp.id()),
                channel,
                amp.description().stage().tubeTypes().stream()
                        .map(t -> types.typed(t, amp.description().judging().system()))
                        .toList());
        return remembered.get(key, k -> fromAmp.of(amp, channel));
    }
}
