package org.brantel.server.platform;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells browsers that something changed: which case and what about it, nothing more; they fetch what they show.
 * Carried by PostgreSQL's NOTIFY, so that browsers on any server process hear of work done by any other.
 */
@Component
class Events implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Events.class);
    private static final String CHANNEL = "brantel_events";

    private final JdbcTemplate jdbc;
    private final StillSignedIn sessions;
    private final String url;
    private final String user;
    private final String password;
    /** Each with the session that it is listened to in. */
    private final Map<SseEmitter, String> listeners = new ConcurrentHashMap<>();

    private volatile @Nullable Thread thread;

    Events(
            JdbcTemplate jdbc,
            StillSignedIn sessions,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password) {
        this.jdbc = jdbc;
        this.sessions = sessions;
        this.url = url;
        this.user = user;
        this.password = password;
    }

    /** Sent when the surrounding transaction commits; at once where there is none. */
    @EventListener
    void changed(Changed changed) {
        jdbc.queryForList("select pg_notify(?, ?)", CHANNEL, changed.what().word() + " " + changed.caseNumber());
    }

    /** @param session whose end is the stream's */
    SseEmitter listen(String session) {
        SseEmitter emitter = new SseEmitter(0L);
        emitter.onCompletion(() -> listeners.remove(emitter));
        emitter.onTimeout(() -> listeners.remove(emitter));
        emitter.onError(e -> listeners.remove(emitter));
        listeners.put(emitter, session);
        send(emitter, "hello", "");
        return emitter;
    }

    /** Whoever signed out hears nothing more. */
    @EventListener
    void ended(StillSignedIn.Ended ended) {
        listeners.forEach((emitter, of) -> {
            if (of.equals(ended.session())) {
                emitter.complete();
            }
        });
    }

    private void send(SseEmitter emitter, String name, String data) {
        try {
            emitter.send(SseEmitter.event().name(name).data(data));
        } catch (IOException | IllegalStateException e) {
            listeners.remove(emitter);
        }
    }

    /**
     * Keeps proxies from closing quiet connections, and notices browsers that left and sessions that ended by themselves or
     * on another server.
     */
    @Scheduled(fixedDelay = 20_000)
    void beat() {
        listeners.forEach((emitter, session) -> {
            if (sessions.is(session)) {
                send(emitter, "beat", "");
            } else {
                emitter.complete();
            }
        });
    }

    private void relay() {
        while (isRunning()) {
            try (Connection connection = DriverManager.getConnection(url, user, password);
                    Statement statement = connection.createStatement()) {
                statement.execute("listen " + CHANNEL);
                PGConnection notices = connection.unwrap(PGConnection.class);
                while (isRunning()) {
                    PGNotification[] heard = notices.getNotifications(1000);
                    for (PGNotification n : heard == null ? new PGNotification[0] : heard) {
                        listeners.keySet().forEach(l -> send(l, "changed", n.getParameter()));
                    }
                }
            } catch (SQLException e) {
                if (isRunning()) {
                    LOG.warn("Live events are interrupted and will be tried again in 2 s: {}", e.getMessage());
                    pause();
                }
            }
        }
    }

    private static void pause() {
        try {
            Thread.sleep(2000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void start() {
        Thread relay = new Thread(this::relay, "events");
        relay.setDaemon(true);
        thread = relay;
        relay.start();
    }

    @Override
    public void stop() {
        Thread relay = thread;
        thread = null;
        if (relay != null) {
            relay.interrupt();
        }
        listeners.keySet().forEach(SseEmitter::complete);
    }

    @Override
    public boolean isRunning() {
        return thread != null;
    }
}
