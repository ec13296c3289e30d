package org.brantel.server.delivery;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.WantedTally;

/** account.json, version 1. Its tallies spoke of the catalogue; what was delivered is counted from its files. */
@JsonIgnoreProperties(ignoreUnknown = true)
record OldAccount(String caseNumber, String lab, List<Line> files, List<Wanted> wanted) {

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Line(
            long finding,
            String name,
            String path,
            long size,
            Delivered delivered,
            String sha256,
            List<Range> gaps,
            String why,
            List<Long> wanted) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Wanted(long line, String words, boolean mustHave, int hopedFor, long whole, long gapped) {}

    static OldAccount read(Path file) throws IOException {
        return Json.read(file, OldAccount.class, "account");
    }

    /**
     * As version 2 says it: nobody had confirmed anything, so nothing is complete; what was found may fit, for nobody
     * asked closely.
     */
    Account renewed() {
        List<Account.Line> lines = files.stream()
                .map(f -> new Account.Line(
                        f.finding(),
                        f.name(),
                        null,
                        null,
                        f.path(),
                        f.size(),
                        f.delivered(),
                        f.sha256(),
                        f.gaps(),
                        f.why(),
                        List.of(),
                        f.wanted()))
                .toList();
        return new Account(
                "brantel-account",
                1,
                caseNumber,
                lab,
                lines,
                wanted.stream()
                        .map(w -> {
                            List<Account.Line> own = lines.stream()
                                    .filter(l -> l.path() != null && l.isFor(w.line()))
                                    .toList();
                            long whole = own.stream()
                                    .filter(l -> l.delivered() == Delivered.WHOLE)
                                    .count();
                            return new Account.Wanted(
                                    w.line(),
                                    w.words(),
                                    w.mustHave(),
                                    w.hopedFor(),
                                    new WantedTally.Found(0, 0, w.whole() + w.gapped()),
                                    own.size(),
                                    new WantedTally.Delivered(whole, own.size() - whole),
                                    null,
                                    false);
                        })
                        .toList());
    }
}
