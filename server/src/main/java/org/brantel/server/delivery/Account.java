package org.brantel.server.delivery;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.brantel.core.json.Json;
import org.brantel.core.source.Range;
import org.brantel.server.catalogue.CatalogueViews;
import org.brantel.server.recovery.RecoveryViews;

/**
 * account.json, version 1: accounts for every selected finding, delivered whole, delivered with listed gaps, or not
 * delivered and why (docs/formats.md).
 */
record Account(String format, int version, String caseNumber, String lab, List<Line> files, List<Wanted> wanted) {

    /** @param delivered whole, gapped, doubtful (its bytes may not all be its own) or not-delivered */
    record Line(long finding, String name, String path, long size, String delivered, String sha256, List<Range> gaps,
                String why, List<Long> wanted) { }

    record Wanted(long line, String words, boolean mustHave, int hopedFor, long whole, long gapped, long missing) { }

    private static final Comparator<RecoveryViews.File> BY_PATH =
            Comparator.comparing(RecoveryViews.File::path, Comparator.nullsLast(String::compareToIgnoreCase));

    static String json(String caseNumber, String lab, List<RecoveryViews.File> results, Map<Long, List<Long>> fits,
                       List<CatalogueViews.WantedState> wanted) {
        return Json.writePretty(new Account("brantel-account", 1, caseNumber, lab,
                results.stream().sorted(BY_PATH).map(r -> new Line(r.line(), r.name(), r.path() == null ? null : "data/" + r.path(), r.size(),
                        delivered(r), r.sha256(), r.gaps(), r.why(), fits.getOrDefault(r.line(), List.of()))).toList(),
                wanted.stream().map(w -> new Wanted(w.line().id(), w.line().words(), w.line().mustHave(), w.line().hopedFor(),
                        w.tally().found().whole(), w.tally().found().partly(), w.tally().missing())).toList()));
    }

    private static String delivered(RecoveryViews.File r) {
        if (r.outcome().equals("not-written")) {
            return "not-delivered";
        }
        return r.outcome().equals("whole") && r.prognosis().equals("doubtful") ? "doubtful" : r.outcome();
    }
}
