package yellowrail.app.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * The panel of a session's page, drawn once for all devices that ask for the same state of it, and sent without the parts that
 * a page has already.
 */
@Component
class PanelPages {
    /** Between two parts; a page puts what it has where nothing follows the name of a part. */
    private static final String PART = "<!--part-->";

    private static final Duration SAME = Duration.ofSeconds(1);
    private static final int KEPT = 32;

    /** Readings and rounds that a panel shows. */
    enum Readings {
        NEWEST,
        ALL
    }

    /** @param second what it says depends on the time too */
    private record Asked(UUID session, int seq, Readings readings, long second) {}

    private final Cache<Asked, String> drawn =
            Caffeine.newBuilder().maximumSize(KEPT).expireAfterWrite(SAME).build();
    private final SessionStore sessions;
    private final SheetIssuer issuer;
    private final ITemplateEngine templates;
    private final Clock clock;

    PanelPages(SessionStore sessions, SheetIssuer issuer, ITemplateEngine templates, Clock clock) {
        this.sessions = sessions;
        this.issuer = issuer;
        this.templates = templates;
        this.clock = clock;
    }

    Panel panel(UUID id, Readings readings) {
        Map<String, String> before = before(id);
        return sessions.look(id, s -> {
            SheetIssuer.Basis basis = issuer.basis(s);
            return SessionPages.of(basis.bench(), basis.standards(), before, clock.millis(), readings == Readings.ALL);
        });
    }

    /**
     * The panel in parts, each after a comment {@code part:name}; what a page has under that name is left out.
     *
     * @param known names of the parts that the page has
     */
    String html(UUID id, Readings readings, Set<String> known) {
        int seq = sessions.look(id, BenchSession::seq);
        return without(
                drawn.get(new Asked(id, seq, readings, clock.millis() / 1000), asked -> draw(id, readings)), known);
    }

    private String draw(UUID id, Readings readings) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("p", panel(id, readings));
        return templates.process("bench/panel", Set.of("panel"), context);
    }

    static String without(String html, Set<String> known) {
        StringBuilder sent = new StringBuilder();
        for (String part : html.split(PART)) {
            String name = name(part);
            sent.append("<!--part:").append(name).append("-->");
            if (!known.contains(name)) {
                sent.append(part);
            }
        }
        return sent.toString();
    }

    private static String name(String part) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(part.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 8);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** What the session before this one read last at each point. */
    private Map<String, String> before(UUID id) {
        List<UUID> earlier = sessions.look(id, sessions::before);
        Map<String, String> echoes = new HashMap<>();
        earlier.stream()
                .findFirst()
                .ifPresent(last -> sessions.look(last, s -> {
                    s.state()
                            .holding()
                            .forEach(r -> echoes.put(
                                    Asks.key(r.quantity(), r.point().name()),
                                    r.typed().echo()));
                    return null;
                }));
        return echoes;
    }
}
