package org.brantel.server.scan;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanReport;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/**
 * A scan session as others see it.
 *
 * @param report what it wrote down of itself; absent while it has not
 */
public record ScanView(
        long id,
        String caseNumber,
        @JsonUnwrapped Standing standing,
        @JsonUnwrapped Chosen chosen,
        @JsonUnwrapped Of of,
        @JsonUnwrapped Course course,
        @JsonUnwrapped Brought brought,
        @Nullable ScanReport report) {

    /**
     * What it was asked to do.
     *
     * @param volume only this one; null for the whole medium
     * @param search whether it looks in what is free
     * @param again  whether it carves what others carved before
     * @param hashes whether it hashes each finding
     */
    public record Chosen(
            @Nullable ScanMethod method, @Nullable Integer volume, boolean search, boolean again, boolean hashes) {}

    /**
     * What it reads.
     *
     * @param device       of the case whose image it is
     * @param imagingId    session that wrote the image
     * @param early        the image was still being written when it began
     * @param ofFiles      the image holds files that were copied, and nothing else
     * @param readBytes    of the image that had been read when it began
     * @param imageSha256  of the image then; absent while it was written
     * @param importedFrom the file of another machine that it came in
     * @param elsewhere    the lab that did it and has its image; absent for sessions on images of our own
     */
    public record Of(
            long device,
            long imagingId,
            boolean early,
            boolean ofFiles,
            long readBytes,
            @Nullable String imageSha256,
            @Nullable String importedFrom,
            @Nullable String elsewhere) {}

    /**
     * How far it is.
     *
     * @param phase       records, search, content, catalogue
     * @param done        bytes of the phase, of {@code total}; findings while they join the catalogue
     * @param secondsLeft likely time to its end; absent while nothing speaks for a number
     */
    public record Course(
            String phase, long done, long total, @Nullable Double secondsLeft) {}

    /**
     * What it brought.
     *
     * @param added  catalogue lines that are new with it
     * @param shared findings that were in the catalogue before
     */
    public record Brought(Counts counts, long added, long shared) {}

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

        /** The same, when no folder is looked at any more. */
        Counts nowhere() {
            return new Counts(findings, kinds, origins, prognoses, null);
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
