package org.brantel.server.scan;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.carve.Failed;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.SessionFile;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.traffic.Incoming;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The files of scan sessions: taken out, brought in, looked into. */
@Component
class SessionFiles {

    /** What another machine sent, in the session's folder until it is unpacked there. */
    static final String PACKED = "sent.session.gz";

    private static final int MOST_SHOWN = 1000;
    private static final int GZIP = 0x1f8b;

    private final Scans scans;
    private final ImagingRecords imaging;
    private final Settings settings;

    SessionFiles(Scans scans, ImagingRecords imaging, Settings settings) {
        this.scans = scans;
        this.imaging = imaging;
        this.settings = settings;
    }

    /** One that has ended, with its folder and the image that it scanned. */
    record Ended(ScanView session, Path folder, Path image) {
        void pack(OutputStream out) throws IOException {
            try (Source medium = Sources.open(image.toString())) {
                SessionFile.pack(folder, medium, out);
            }
        }
    }

    Ended ended(long id) {
        ScanView session = scans.session(id);
        Path folder = settings.scans().resolve(session.caseNumber()).resolve("scan-" + id);
        if (session.report() == null || !Files.isRegularFile(folder.resolve("session.json"))) {
            throw Refusal.conflict("Session " + id
                    + " has no results to take out: it has not ended, or its folder is gone. Scan again.");
        }
        return new Ended(
                session, folder, imaging.image(session.of().imagingId()).file());
    }

    /** Keeps what was sent, and starts a session that unpacks it. */
    ScanView bringIn(String number, @Nullable Long device, String name, InputStream body, String who)
            throws IOException {
        String safe = name.replaceAll("[^\\p{L}\\p{N} ._-]", "_");
        Files.createDirectories(settings.scans());
        Path kept = Files.createTempFile(settings.scans(), "sent-", ".session.gz");
        try {
            Incoming.keep(body, kept, Incoming.room(settings.scans()));
            try (InputStream head = Files.newInputStream(kept)) {
                if ((head.read() << 8 | head.read()) != GZIP) {
                    throw Refusal.badInput(
                            "file", safe + " is no session file; choose one that a session's 'Take out' wrote.");
                }
            }
            return scans.startImport(number, device, safe, kept, who);
        } finally {
            Files.deleteIfExists(kept);
        }
    }

    /** The first starts that failed their check. */
    List<Failed> failed(long id) throws IOException {
        Path file = ended(id).folder().resolve(Scan.FAILED);
        if (!Files.isRegularFile(file)) {
            return List.of();
        }
        try (Stream<String> lines = Files.lines(file)) {
            List<Failed> some = new java.util.ArrayList<>();
            for (String line :
                    (Iterable<String>) lines.filter(l -> !l.isBlank()).limit(MOST_SHOWN)::iterator) {
                some.add(Json.read(line, Failed.class, "start", file.toString()));
            }
            return some;
        }
    }
}
