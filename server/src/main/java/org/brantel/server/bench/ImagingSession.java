package org.brantel.server.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.nio.file.Path;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** One run of reading a medium into an image. The job writes progress, people write {@code asked}. */
@Entity
@Table(name = "imaging_session")
@DynamicUpdate
class ImagingSession {

    enum State { WAITING, RUNNING, PAUSED, DONE, FAILED }

    /** Numbers of a running session. */
    record Progress(long readBytes, long failedBytes, long deferredBytes, int failedPlaces, String pass, long head,
                    double rate, String cells, String rates) { }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @Column(updatable = false)
    private Long caseId;
    @Column(updatable = false)
    private Long attachmentId;
    @Enumerated(EnumType.STRING)
    private State state;
    private String asked;
    @Column(updatable = false)
    private String profile;
    private String image;
    private long size;
    private long readBytes;
    private long failedBytes;
    private long deferredBytes;
    private int failedPlaces;
    private String pass;
    private long head;
    private double rate;
    private String cells;
    private String rates;
    private long hashedBytes;
    private String sha256;
    private String trouble;
    @Column(updatable = false)
    private String who;
    @Column(updatable = false)
    private Instant startedAt;
    private Instant endedAt;
    private long runningMillis;

    protected ImagingSession() { }

    ImagingSession(Long caseId, Attachment attachment, String profile, long size, String who, Instant startedAt) {
        this.caseId = caseId;
        this.attachmentId = attachment.id();
        this.profile = profile;
        this.size = size;
        this.who = who;
        this.startedAt = startedAt;
        this.state = State.WAITING;
        this.image = "";
        this.pass = "sweep";
        this.cells = "";
        this.rates = "";
    }

    void writeTo(Path file) {
        image = file.toString();
    }

    void run() {
        state = State.RUNNING;
        trouble = null;
        endedAt = null;
    }

    void waitAgain() {
        state = State.WAITING;
        asked = null;
        trouble = null;
    }

    void ask(String what) {
        asked = what;
    }

    void progress(Progress p) {
        readBytes = p.readBytes();
        failedBytes = p.failedBytes();
        deferredBytes = p.deferredBytes();
        failedPlaces = p.failedPlaces();
        pass = p.pass();
        head = p.head();
        rate = p.rate();
        cells = p.cells();
        rates = p.rates();
    }

    void hashing(long bytes) {
        pass = "hashing";
        hashedBytes = bytes;
    }

    void ranFor(long millis) {
        runningMillis += millis;
    }

    void pause(String why) {
        state = State.PAUSED;
        asked = null;
        rate = 0;
        trouble = why;
    }

    void fail(String why, Instant at) {
        state = State.FAILED;
        asked = null;
        rate = 0;
        trouble = why;
        endedAt = at;
    }

    void finish(String hash, Instant at) {
        state = State.DONE;
        asked = null;
        rate = 0;
        sha256 = hash;
        hashedBytes = size;
        endedAt = at;
    }

    Long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    Long attachmentId() {
        return attachmentId;
    }

    State state() {
        return state;
    }

    String asked() {
        return asked;
    }

    String profile() {
        return profile;
    }

    String image() {
        return image;
    }

    ImagingView view(String caseNumber) {
        return new ImagingView(id, caseNumber, state.name().toLowerCase(), asked, profile,
                image.isEmpty() ? "" : Path.of(image).getFileName().toString(), size, readBytes, failedBytes, deferredBytes,
                failedPlaces, pass, head, rate, cells, rates, hashedBytes, sha256, trouble, who, startedAt, endedAt,
                runningMillis);
    }
}
