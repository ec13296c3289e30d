package org.brantel.server.delivery;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.brantel.core.bytes.Range;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.WantedLine;
import org.brantel.core.wanted.WantedTally;
import org.brantel.core.wanted.WantedTally.Confirmed;
import org.brantel.server.catalogue.CatalogueViews;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.recovery.RecoveryViews;
import org.jspecify.annotations.Nullable;

/**
 * account.json, version 2: accounts for every selected finding, delivered whole, with listed gaps, in doubt, or not
 * delivered and why; and for every wanted line, from hoped for to delivered (docs/formats.md). What is delivered is
 * counted here from the files of the run alone. Once sealed it is never changed, whatever is found later.
 */
@JsonIgnoreProperties(ignoreUnknown = true)
public record Account(
        String format, int version, String caseNumber, String lab, List<Line> files, List<Wanted> wanted) {

    /**
     * One selected finding.
     *
     * @param name      that it was found under, {@code path} where it lies in the delivery
     * @param stood     where it stood, name and all; null where no record names it
     * @param device    of the case that its bytes are from; null where that was not kept
     * @param fits      wanted lines that it fits, {@code mayFit} those of which nobody can say
     */
    @JsonIgnoreProperties(ignoreUnknown = true)
    public record Line(
            long finding,
            String name,
            @Nullable String stood,
            @Nullable String device,
            @Nullable String path,
            long size,
            Delivered delivered,
            @Nullable String sha256,
            List<Range> gaps,
            @Nullable String why,
            List<Long> fits,
            List<Long> mayFit) {

        public Line {
            gaps = gaps == null ? List.of() : gaps;
            fits = fits == null ? List.of() : fits;
            mayFit = mayFit == null ? List.of() : mayFit;
        }

        boolean isFor(long wantedLine) {
            return fits.contains(wantedLine) || mayFit.contains(wantedLine);
        }
    }

    /**
     * @param complete said only where as many as hoped for were delivered whole and a person of the lab confirmed that
     *                 these are them
     */
    @JsonIgnoreProperties(ignoreUnknown = true)
    public record Wanted(
            long line,
            String words,
            boolean mustHave,
            long hopedFor,
            WantedTally.Found found,
            long chosen,
            WantedTally.Delivered delivered,
            @Nullable Confirmed confirmed,
            boolean complete) {

        public Wanted {
            found = found == null ? WantedTally.Found.NONE : found;
            delivered = delivered == null ? WantedTally.Delivered.NONE : delivered;
        }

        static Wanted of(CatalogueViews.WantedState state) {
            WantedTally t = state.tally();
            return new Wanted(
                    state.line().id(),
                    state.line().words(),
                    state.line().mustHave(),
                    t.hopedFor(),
                    t.found(),
                    t.chosen(),
                    t.delivered(),
                    t.confirmed(),
                    t.isComplete());
        }
    }

    private static final int VERSION = 2;
    private static final Comparator<RecoveryViews.File> BY_PATH =
            Comparator.comparing(RecoveryViews.File::path, Comparator.nullsLast(String::compareToIgnoreCase));

    /** @param devices in words, by the session that read them */
    static List<Line> lines(
            List<RecoveryViews.File> results, Map<Long, Catalogues.Fits> fits, Map<Long, String> devices) {
        return results.stream()
                .sorted(BY_PATH)
                .map(r -> {
                    Catalogues.Fits own = fits.getOrDefault(r.line(), Catalogues.Fits.NONE);
                    return new Line(
                            r.line(),
                            r.name(),
                            r.stood(),
                            r.from() == null ? null : devices.get(r.from()),
                            r.path() == null ? null : "data/" + r.path(),
                            r.size(),
                            Delivered.of(r),
                            r.sha256(),
                            r.gaps(),
                            r.why(),
                            own.fits(),
                            own.mayFit());
                })
                .toList();
    }

    /**
     * What of a line these files are.
     * @param theirs the findings that were confirmed to be the line's; null while
     * nobody did
     */
    static WantedTally.Delivered delivered(List<Line> files, WantedLine line, @Nullable List<Long> theirs) {
        List<Line> own = files.stream()
                .filter(f -> f.delivered() != Delivered.NOT_DELIVERED
                        && f.isFor(line.id())
                        && (theirs == null || theirs.contains(f.finding())))
                .toList();
        long whole = own.stream().filter(f -> f.delivered() == Delivered.WHOLE).count();
        return new WantedTally.Delivered(whole, own.size() - whole);
    }

    static Account of(String caseNumber, String lab, List<Line> files, List<CatalogueViews.WantedState> wanted) {
        return new Account(
                "brantel-account",
                VERSION,
                caseNumber,
                lab,
                files,
                wanted.stream().map(Wanted::of).toList());
    }

    String json() {
        return Json.writePretty(this);
    }

    /** @throws IOException naming what is malformed */
    public static Account read(Path file) throws IOException {
        Account account = Json.read(file, Account.class, "account");
        return account.version() >= VERSION ? account : OldAccount.read(file).renewed();
    }
}
