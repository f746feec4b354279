package yellowrail.app.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Brings what other instances store to the browsers of this one: PostgreSQL notifies, within the transaction that stores. The
 * connection is its own, since one of the pool could be taken away.
 */
@Component
public class SessionNotices implements SmartLifecycle {
    private static final Logger log = LoggerFactory.getLogger(SessionNotices.class);
    private static final String CHANNEL = "yellow_rail";
    private static final int WAIT_MILLIS = 5_000;
    /** PostgreSQL takes 8000 bytes at most. */
    private static final int LONGEST = 1_000;

    private final SessionMapper mapper;
    private final SessionBroadcaster broadcaster;
    private final String url;
    private final String user;
    private final String password;
    private final String instance = UUID.randomUUID().toString();
    private volatile Thread thread;
    private volatile Connection connection;

    SessionNotices(
            SessionMapper mapper,
            SessionBroadcaster broadcaster,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password) {
        this.mapper = mapper;
        this.broadcaster = broadcaster;
        this.url = url;
        this.user = user;
        this.password = password;
    }

    /** Within the transaction that stores an entry: other instances hear of it when that is committed. */
    void storing(UUID session, int seq) {
        mapper.notify(CHANNEL, instance + " changed " + session + " " + seq);
    }

    /** Tells the browsers of this instance that an entry is stored. */
    void stored(UUID session, int seq) {
        broadcaster.changed(session, seq);
    }

    /** Tells every browser of every instance what would ask for power off if it were real; nothing of it is stored. */
    public void danger(UUID session, String sentence) {
        broadcaster.danger(session, sentence);
        try {
            String text = sentence.length() > LONGEST ? sentence.substring(0, LONGEST) : sentence;
            mapper.notify(CHANNEL, instance + " danger " + session + " " + text);
        } catch (DataAccessException | TransactionException away) {
            log.debug("Not told to other instances: {}", away.getMessage());
        }
    }

    private void listen() {
        while (thread == Thread.currentThread()) {
            try (Connection open = DriverManager.getConnection(url, user, password);
                    Statement statement = open.createStatement()) {
                connection = open;
                statement.execute("listen " + CHANNEL);
                broadcaster.look();
                PGConnection notices = open.unwrap(PGConnection.class);
                while (thread == Thread.currentThread()) {
                    PGNotification[] heard = notices.getNotifications(WAIT_MILLIS);
                    for (PGNotification notice : heard == null ? new PGNotification[0] : heard) {
                        tell(notice.getParameter().split(" ", 4));
                    }
                }
            } catch (SQLException away) {
                pause();
            }
        }
    }

    private void tell(String[] words) {
        if (words.length < 4 || words[0].equals(instance)) {
            return;
        }
        UUID session = UUID.fromString(words[2]);
        if (words[1].equals("changed")) {
            broadcaster.changed(session, Integer.parseInt(words[3]));
        } else {
            broadcaster.danger(session, words[3]);
        }
    }

    private static void pause() {
        try {
            TimeUnit.SECONDS.sleep(1);
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void start() {
        Thread listener = new Thread(this::listen, "session-notices");
        listener.setDaemon(true);
        thread = listener;
        listener.start();
    }

    @Override
    public void stop() {
        Thread listener = thread;
        thread = null;
        try {
            Connection open = connection;
            if (open != null) {
                open.abort(Runnable::run);
            }
        } catch (SQLException already) {
            log.debug("Closed already: {}", already.getMessage());
        }
        if (listener != null) {
            listener.interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return thread != null;
    }
}
