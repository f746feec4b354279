package yellowrail.app.bench;

import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Completes the history of amps whose sessions were read by turns and signed by an earlier version, which kept the last
 * position alone: their events hold all of them.
 */
@Component
class EarlierTurns {
    private static final Logger LOG = LoggerFactory.getLogger(EarlierTurns.class);

    private final SessionMapper mapper;
    private final SessionStore sessions;
    private final SheetIssuer issuer;

    EarlierTurns(SessionMapper mapper, SessionStore sessions, SheetIssuer issuer) {
        this.mapper = mapper;
        this.sessions = sessions;
        this.issuer = issuer;
    }

    @EventListener(ApplicationReadyEvent.class)
    void complete() {
        mapper.signedByTurns().stream().filter(issuer::lacksTurns).forEach(this::complete);
    }

    /** One that cannot be read keeps none of the others from being completed. */
    private void complete(UUID session) {
        try {
            sessions.look(session, bench -> {
                issuer.complete(bench);
                return session;
            });
        } catch (RuntimeException unread) {
            LOG.warn("The turns of session {} could not be added to its round: {}", session, unread.toString());
        }
    }
}
