package org.brantel.server.scan;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.estimate.Measured;
import org.brantel.core.json.Json;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanReport;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.intake.Travelled;
import org.brantel.server.work.WorkRecord;
import org.brantel.server.work.WorkState;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "scan_session")
@DynamicUpdate
class ScanSession extends WorkRecord {

    /** When a session of a case began and ended. */
    record Took(Long caseId, Instant startedAt, Instant endedAt) {}

    /** Whose image a session looks into. */
    record Scanned(Long id, Long deviceId) {}

    @Column(updatable = false)
    private Long deviceId;

    @Column(updatable = false)
    private Long imagingId;

    /** Null for a session that another machine did, until its file says which it was. */
    private @Nullable ScanMethod method;

    @Column(updatable = false)
    private @Nullable Integer volume;

    @Column(updatable = false)
    private boolean search;

    @Column(updatable = false)
    private boolean early;

    @Column(updatable = false)
    private boolean ofFiles;

    @Column(updatable = false)
    private boolean again;

    @Column(updatable = false)
    private boolean hashes;

    private @Nullable Double secondsLeft;

    @Column(updatable = false)
    private @Nullable String importedFrom;

    @Column(updatable = false)
    private @Nullable String elsewhere;

    @Column(updatable = false)
    private @Nullable String imageSha256;

    @Column(updatable = false)
    private long readBytes;

    private String folder;
    private String phase;
    private long done;
    private long total;
    private String counts;
    private @Nullable String report;
    private long added;
    private long shared;

    protected ScanSession() {}

    ScanSession(Long caseId, ImagingRecords.Image image, Scans.Scope scope, String who, Instant startedAt) {
        super(caseId, who, startedAt);
        this.deviceId = image.device();
        this.imagingId = image.imagingId();
        this.early = image.filling();
        this.ofFiles = image.ofFiles();
        this.readBytes = image.readBytes();
        this.imageSha256 = image.sha256();
        this.method = scope.method();
        this.volume = scope.volume();
        this.search = scope.search();
        this.again = scope.again();
        this.hashes = scope.hashes();
        this.folder = "";
        this.phase = "waiting";
        this.counts = Json.write(new ScanView.Counts());
    }

    /**
     * One that another machine did.
     *
     * @param file that holds it, as it was called there
     */
    static ScanSession imported(Long caseId, ImagingRecords.Image image, String file, String who, Instant at) {
        ScanSession session = new ScanSession(caseId, image, Scans.Scope.imported(), who, at);
        session.importedFrom = file;
        return session;
    }

    /** One that another lab did on an image that is there. */
    static ScanSession foundElsewhere(
            Long caseId, ImagingRecords.Image image, CaseFile.Scan scan, String who, Instant at) {
        ScanSession session =
                imported(caseId, image, "a session of " + scan.work().lab(), who, at);
        session.elsewhere = scan.work().lab();
        session.readBytes = scan.readBytes();
        return session;
    }

    /** Whether its image is in another lab, so that nothing of it can be compared here. */
    boolean isElsewhere() {
        return elsewhere != null;
    }

    /**
     * As it goes to another lab.
     *
     * @param imaging mark of the session that read its image
     * @param file    of the bag
     */
    CaseFile.Scan along(GoesAlong.Leaving leaving, String imaging, String file) {
        return new CaseFile.Scan(
                leaving.marks().of(Travelled.SCAN, id()),
                imaging,
                new CaseFile.Work(
                        elsewhere == null ? leaving.lab().name() : elsewhere,
                        leaving.person(who()),
                        startedAt(),
                        endedAt()),
                state() == WorkState.DONE,
                readBytes,
                file);
    }

    void runIn(String where) {
        run();
        folder = where;
    }

    void progress(String newPhase, long doneNow, long all, ScanView.Counts found, @Nullable Double left) {
        phase = newPhase;
        secondsLeft = left;
        done = doneNow;
        total = all;
        counts = Json.write(found);
    }

    void end(boolean finished, ScanReport result, long addedLines, long sharedLines, Instant at) {
        if (finished) {
            finish(at);
        } else {
            stop(at);
        }
        report = Json.write(result);
        method = result.method();
        added = addedLines;
        shared = sharedLines;
        phase = "done";
        secondsLeft = null;
    }

    Long deviceId() {
        return deviceId;
    }

    Long imagingId() {
        return imagingId;
    }

    @Nullable
    ScanMethod method() {
        return method;
    }

    String folder() {
        return folder;
    }

    long added() {
        return added;
    }

    @Nullable
    String importedFrom() {
        return importedFrom;
    }

    /** What is new in the catalogue so far. */
    void brought(long addedLines) {
        added = addedLines;
    }

    /** Whether the image was still being written when it began. */
    boolean early() {
        return early;
    }

    /** Whether the image holds copied files and nothing else. */
    boolean ofFiles() {
        return ofFiles;
    }

    /** What it is to do. */
    Scans.Scope scope() {
        return new Scans.Scope(method, volume, search, again, hashes);
    }

    Optional<ScanReport> report() {
        try {
            return report == null
                    ? Optional.empty()
                    : Optional.of(Json.read(report, ScanReport.class, "report", "scan " + id()));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    Measured measured() {
        return new Measured(
                method == ScanMethod.CARVE ? Measured.Work.CARVE : Measured.Work.STRUCTURE,
                "",
                true,
                total,
                Duration.between(startedAt(), endedAt()).toMillis() / 1000.0);
    }

    ScanView view(String caseNumber) {
        try {
            return new ScanView(
                    id(),
                    caseNumber,
                    standing(),
                    new ScanView.Chosen(method, volume, search, again, hashes),
                    new ScanView.Of(
                            deviceId, imagingId, early, ofFiles, readBytes, imageSha256, importedFrom, elsewhere),
                    new ScanView.Course(phase, done, total, secondsLeft),
                    new ScanView.Brought(
                            Json.read(counts, ScanView.Counts.class, "counts", "scan " + id()), added, shared),
                    report().map(ScanReport::withoutCarved).orElse(null));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
