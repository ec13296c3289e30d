package org.brantel.server.scan;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanReport;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;

/**
 * A scan session as others see it.
 *
 * @param asked  stop or pause, until it is done; a session that was asked to pause rests until it is let go on
 * @param volume only this one; null for the whole medium
 * @param search whether it looks in what is free
 * @param again  whether it carves what others carved before
 * @param hashes whether it hashes each finding
 * @param early  the image was still being written when it began
 * @param readBytes of the image that had been read when it began
 * @param imageSha256  of the image then; absent while it was written
 * @param importedFrom the file of another machine that it came in
 * @param phase  records, search, content, catalogue
 * @param secondsLeft likely time to its end; absent while nothing speaks for a number
 * @param added  catalogue lines that are new with it
 * @param shared findings that were in the catalogue before
 */
public record ScanView(
        long id,
        String caseNumber,
        long imagingId,
        WorkState state,
        @Nullable Ask asked,
        @Nullable ScanMethod method,
        @Nullable Integer volume,
        boolean search,
        boolean again,
        boolean hashes,
        boolean early,
        long readBytes,
        @Nullable String imageSha256,
        @Nullable String importedFrom,
        String phase,
        long done,
        long total,
        @Nullable Double secondsLeft,
        Counts counts,
        @Nullable ScanReport report,
        long added,
        long shared,
        @Nullable String trouble,
        String who,
        Instant startedAt,
        @Nullable Instant endedAt) {

    /** Findings so far, by kind, by origin and by prognosis, and the folder that the last one lay in. */
    public record Counts(
            long findings,
            Map<String, Long> kinds,
            Map<String, Long> origins,
            Map<String, Long> prognoses,
            @Nullable String folder) {

        public Counts {
            prognoses = prognoses == null ? new TreeMap<>() : prognoses;
        }

        Counts() {
            this(0, new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), null);
        }

        Counts with(Finding finding) {
            kinds.merge(finding.kind(), 1L, Long::sum);
            origins.merge(finding.origin().word(), 1L, Long::sum);
            prognoses.merge(finding.prognosis().word(), 1L, Long::sum);
            String path = finding.path();
            return new Counts(
                    findings + 1,
                    kinds,
                    origins,
                    prognoses,
                    path == null ? folder : path.substring(0, path.lastIndexOf('/') + 1));
        }
    }
}
