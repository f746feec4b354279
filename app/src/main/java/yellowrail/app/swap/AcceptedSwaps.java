package yellowrail.app.swap;

import static yellowrail.app.store.StoredShapes.SWAP;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredSwap;
import yellowrail.app.swap.AcceptedSwapMapper.BackRow;
import yellowrail.app.swap.AcceptedSwapMapper.StepRow;
import yellowrail.app.swap.AcceptedSwapMapper.SwapRow;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;

/**
 * Accepted swaps: the amp's new description and what was decided are stored together, or neither; steps of the work are only
 * ever added to.
 */
@Service
public class AcceptedSwaps {
    /** The swap may not be accepted or taken back now; the sentence says why. */
    static class Refused extends RuntimeException {
        Refused(String sentence) {
            super(sentence);
        }
    }

    private final AcceptedSwapMapper mapper;
    private final AmpStore amps;
    private final SessionStore sessions;
    private final Clock clock;

    AcceptedSwaps(AcceptedSwapMapper mapper, AmpStore amps, SessionStore sessions, Clock clock) {
        this.mapper = mapper;
        this.amps = amps;
        this.sessions = sessions;
        this.clock = clock;
    }

    /**
     * Describes an amp with other tubes, and keeps the sheet that this was decided by. The same id stores once.
     *
     * @throws Refused while an open session of the amp has its power on, or not known
     * @throws AmpStore.ChangedMeanwhile when the amp was described anew since it was seen
     */
    @Transactional
    public UUID accept(UUID id, UUID ampId, AmpDescription swapped, StoredSwap swap, String device) {
        Optional<SwapRow> stored = mapper.swap(id);
        if (stored.isEmpty()) {
            off(ampId);
        }
        Amp described = amps.keep(id, ampId, swap.seen(), swapped);
        SwapRow row = new SwapRow(id, ampId, described.version(), SWAP.write(swap), device, OffsetDateTime.now(clock));
        Once.keep(
                () -> mapper.insert(row),
                row,
                () -> mapper.swap(id).orElseThrow(),
                r -> List.of(r.ampId(), SWAP.read(r.body())),
                () -> StoredDifferently.now("This swap"));
        return id;
    }

    /** While tubes play, or may, which ones they are is not described otherwise. */
    private void off(UUID ampId) {
        sessions.notOff(ampId, clock.millis()).ifPresent(why -> {
            throw new Refused(why);
        });
    }

    AcceptedSwap of(UUID ampId, UUID id) {
        return mapper.swap(id)
                .filter(row -> row.ampId().equals(ampId))
                .map(this::read)
                .orElseThrow(() -> new NotThere("swap " + id + " of this amp"));
    }

    /** The last one of an amp. */
    public Optional<AcceptedSwap> newestOf(UUID ampId) {
        return mapper.newestOf(ampId).map(this::read);
    }

    private AcceptedSwap read(SwapRow row) {
        StoredSwap swap = SWAP.read(row.body());
        Map<Integer, StepRow> last = new HashMap<>();
        mapper.steps(row.id()).forEach(s -> last.put(s.step(), s));
        List<AcceptedSwap.Step> steps = IntStream.range(0, swap.work().size())
                .mapToObj(i -> new AcceptedSwap.Step(
                        i,
                        swap.work().get(i),
                        Optional.ofNullable(last.get(i))
                                .filter(StepRow::done)
                                .map(s -> new AcceptedSwap.Done(s.saidAt(), s.device()))
                                .orElse(null)))
                .toList();
        return new AcceptedSwap(row.id(), row.ampId(), row.version(), swap, row.device(), row.acceptedAt(), steps);
    }

    /** A step of the work was done, or was not after all; the same id stores once. */
    @Transactional
    public void say(UUID id, AcceptedSwap swap, int step, boolean done, String device) {
        if (step < 0 || step >= swap.steps().size()) {
            throw new NotThere("step " + (step + 1) + " of this swap");
        }
        StepRow row = new StepRow(id, swap.id(), step, done, device, OffsetDateTime.now(clock));
        Once.keep(
                () -> mapper.insertStep(row),
                row,
                () -> mapper.step(id).orElseThrow(),
                r -> List.of(r.swapId(), r.step(), r.done()),
                () -> StoredDifferently.now("This step"));
    }

    /**
     * Back to the description that the swap was made for, as a further version.
     *
     * @param sockets which tubes are in them, as somebody looked
     * @throws Refused while an open session of the amp has its power on, or not known, and where something was described since
     */
    @Transactional
    public void goBack(UUID versionId, AcceptedSwap swap, String sockets, String device) {
        if (mapper.back(versionId).isEmpty()) {
            off(swap.ampId());
        }
        Amp described = amps.keep(
                versionId,
                swap.ampId(),
                swap.version(),
                amps.amp(swap.ampId(), swap.swap().seen()).description());
        BackRow row =
                new BackRow(versionId, swap.id(), described.version(), sockets, device, OffsetDateTime.now(clock));
        Once.keep(
                () -> mapper.insertBack(row),
                row,
                () -> mapper.back(versionId).orElseThrow(),
                r -> List.of(r.swapId(), r.sockets()),
                () -> StoredDifferently.now("This"));
    }
}
