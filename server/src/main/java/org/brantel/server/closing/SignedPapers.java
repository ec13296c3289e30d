package org.brantel.server.closing;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.brantel.core.hash.Hashes;
import org.brantel.server.platform.HashedFiles;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Scans of papers that customers signed, in the lab's folder. They are kept as they came, and never opened here. */
@Component
class SignedPapers {

    /** Bytes of the largest scan that is taken. */
    static final int LARGEST = 20 << 20;

    private static final byte[] PDF = "%PDF-".getBytes(StandardCharsets.US_ASCII);
    private static final int LONGEST_NAME = 200;

    /** Bytes that lie under their hash. */
    record Kept(String sha256, long bytes) {}

    private final SignedPaperRecords records;
    private final HashedFiles files;

    SignedPapers(SignedPaperRecords records, Settings settings) {
        this.records = records;
        this.files = new HashedFiles(settings.home().resolve("papers"), ".pdf");
    }

    List<ClosingViews.Paper> of(long caseId) {
        return records.findByCaseIdOrderByIdDesc(caseId).stream()
                .map(SignedPaper::view)
                .toList();
    }

    /** @throws Refusal for what is not a PDF */
    Kept keep(byte[] pdf) throws IOException {
        if (pdf.length < PDF.length || !startsAsPdf(pdf)) {
            throw Refusal.badInput("paper", "This is not a PDF; scan the signed paper as one.");
        }
        String sha256 = Hashes.sha256Hex(pdf, 0, pdf.length);
        files.keep(sha256, pdf);
        return new Kept(sha256, pdf.length);
    }

    private static boolean startsAsPdf(byte[] bytes) {
        for (int i = 0; i < PDF.length; i++) {
            if (bytes[i] != PDF[i]) {
                return false;
            }
        }
        return true;
    }

    ClosingViews.Paper add(long caseId, Kept paper, @Nullable String name, String who, Instant at) {
        String plain = name == null || name.isBlank() ? "signed paper" : name.strip();
        return records.save(new SignedPaper(
                        caseId,
                        plain.length() > LONGEST_NAME ? plain.substring(0, LONGEST_NAME) : plain,
                        paper.sha256(),
                        paper.bytes(),
                        who,
                        at))
                .view();
    }

    byte[] bytes(long caseId, long id) throws IOException {
        SignedPaper paper = records.findByIdAndCaseId(id, caseId)
                .orElseThrow(() -> Refusal.missing("There is no signed paper " + id + " in this case."));
        return files.bytes(paper.sha256());
    }
}
