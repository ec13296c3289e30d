package org.brantel.server.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Something that happened in an imaging session. Never changed. */
@Entity
@Table(name = "imaging_event")
class ImagingEvent {

    /** What can happen. */
    enum Kind {
        BEGAN,
        PASS,
        FAULT,
        PROFILE,
        REST,
        WORK,
        LIMIT,
        VANISHED,
        ANOTHER,
        BACK,
        PAUSED,
        FULL,
        UNSOUND,
        FINISHED,
        FAILED
    }

    /**
     * @param kind in small letters
     * @param off  bytes; absent where it has no place
     */
    record View(
            Instant at,
            String kind,
            @Nullable Long off,
            @Nullable Long len,
            @Nullable String pass,
            String words) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long sessionId;

    @Column(updatable = false)
    private Instant at;

    @Column(updatable = false)
    private String kind;

    @Column(updatable = false)
    private @Nullable Long off;

    @Column(updatable = false)
    private @Nullable Long len;

    @Column(updatable = false)
    private @Nullable String pass;

    @Column(updatable = false)
    private String words;

    protected ImagingEvent() {}

    ImagingEvent(long sessionId, Instant at, Kind kind, String words) {
        this.sessionId = sessionId;
        this.at = at;
        this.kind = kind.name().toLowerCase(Locale.ROOT);
        this.words = words;
    }

    /** At a place on the device. */
    static ImagingEvent fault(long sessionId, Instant at, long off, long len, String pass, String words) {
        ImagingEvent event = new ImagingEvent(sessionId, at, Kind.FAULT, words);
        event.off = off;
        event.len = len;
        event.pass = pass;
        return event;
    }

    View view() {
        return new View(at, kind, off, len, pass, words);
    }
}
