package org.brantel.server.recovery;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.util.Arrays;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Standing;
import org.brantel.core.json.Json;
import org.brantel.core.recovery.RecoveryResult;
import org.jspecify.annotations.Nullable;

/** What became of one selected line in a run. */
@Entity
@Table(name = "recovered_file")
class RecoveredFile {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long runId;

    @Column(updatable = false)
    private Long lineId;

    /** Whose image it was taken from; not kept of runs of before. */
    @Column(updatable = false)
    private @Nullable Long imagingId;

    private @Nullable String path;
    private String name;
    private @Nullable String stood;
    private long size;
    private Written outcome;

    @Convert(converter = PrognosisWord.class)
    private Prognosis prognosis;

    private @Nullable String sha256;
    private String gaps;
    private @Nullable String why;

    protected RecoveredFile() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    RecoveredFile(Long runId, Long imagingId, Finding finding) {
        this.runId = runId;
        this.imagingId = imagingId;
        this.lineId = finding.id();
    }

    void take(RecoveryResult result, Finding finding) {
        path = result.path();
        name = finding.name();
        Standing stands = Standing.of(finding);
        stood = stands == null ? null : stands.folder() + "/" + stands.name();
        size = finding.size();
        outcome = Written.of(result.outcome());
        prognosis = finding.prognosis();
        sha256 = result.sha256();
        gaps = Json.write(result.gaps());
        why = result.why() != null
                ? result.why()
                : finding.reasons().isEmpty() || prognosis == Prognosis.WHOLE
                        ? null
                        : finding.reasons().get(0);
    }

    Long lineId() {
        return lineId;
    }

    RecoveryViews.File view() {
        try {
            return new RecoveryViews.File(
                    lineId,
                    imagingId,
                    path,
                    name,
                    stood,
                    size,
                    outcome,
                    prognosis,
                    sha256,
                    Arrays.asList(Json.read(gaps, Range[].class, "gaps", "recovered file " + id)),
                    why);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
