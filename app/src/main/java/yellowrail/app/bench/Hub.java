package yellowrail.app.bench;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells every device that looks at a session that something changed: at once for what this instance stored, within a
 * second for what another instance did.
 */
@Component
public class Hub {
    private static final Logger log = LoggerFactory.getLogger(Hub.class);
    private static final long HOUR = 3_600_000;

    private final Map<UUID, List<SseEmitter>> listeners = new ConcurrentHashMap<>();
    private final Map<UUID, Integer> told = new ConcurrentHashMap<>();
    private final SessionMapper mapper;
    private int beats;

    Hub(SessionMapper mapper) {
        this.mapper = mapper;
    }

    SseEmitter listen(UUID session, int seq) {
        SseEmitter emitter = new SseEmitter(HOUR);
        List<SseEmitter> of = listeners.computeIfAbsent(session, s -> new CopyOnWriteArrayList<>());
        of.add(emitter);
        emitter.onCompletion(() -> drop(session, emitter));
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> drop(session, emitter));
        send(session, emitter, "hello", seq);
        return emitter;
    }

    private void drop(UUID session, SseEmitter emitter) {
        listeners.computeIfPresent(session, (s, of) -> {
            of.remove(emitter);
            return of.isEmpty() ? null : of;
        });
    }

    void changed(UUID session, int seq) {
        told.merge(session, seq, Math::max);
        List<SseEmitter> of = listeners.get(session);
        if (of == null) {
            told.remove(session);
            return;
        }
        of.forEach(e -> send(session, e, "changed", seq));
    }

    /** Tells every device of a session what would ask for power off if it were real; nothing of it is stored. */
    public void danger(UUID session, String sentence) {
        for (SseEmitter emitter : listeners.getOrDefault(session, List.of())) {
            try {
                emitter.send(SseEmitter.event().name("danger").data(sentence));
            } catch (IOException | IllegalStateException gone) {
                drop(session, emitter);
            }
        }
    }

    private void send(UUID session, SseEmitter emitter, String name, int seq) {
        try {
            emitter.send(SseEmitter.event().name(name).id(String.valueOf(seq)).data(seq));
        } catch (IOException | IllegalStateException gone) {
            drop(session, emitter);
        }
    }

    /** What other instances stored meanwhile; every so often a beat, so that dead listeners are noticed. */
    @Scheduled(fixedDelay = 700)
    void look() {
        if (listeners.isEmpty()) {
            return;
        }
        try {
            Map<UUID, Integer> newest = new HashMap<>();
            mapper.newestSeqs(List.copyOf(listeners.keySet())).forEach(r -> newest.put(r.sessionId(), r.seq()));
            newest.forEach((session, seq) -> {
                if (seq > told.getOrDefault(session, 0)) {
                    changed(session, seq);
                }
            });
        } catch (DataAccessException | CannotCreateTransactionException away) {
            log.debug("Sessions not looked up: {}", away.getMessage());
        }
        if (++beats % 20 == 0) {
            listeners.forEach((session, of) -> of.forEach(e -> send(session, e, "beat", 0)));
        }
    }

    /** Open streams would hold a stopping server back. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        listeners.values().forEach(of -> of.forEach(SseEmitter::complete));
        listeners.clear();
    }

    int listening(UUID session) {
        return listeners.getOrDefault(session, List.of()).size();
    }
}
