package org.brantel.server.catalogue;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.hash.Hashes;
import org.brantel.core.layout.Placeable;
import org.brantel.core.wanted.Fitting;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The union of a case's findings. */
@Service
public class Catalogues {

    /** What a session brought: lines that are new, and findings that were known. */
    public record Merged(long added, long shared) {

        /** Findings that are in. */
        public long taken() {
            return added + shared;
        }
    }

    /**
     * A line as the engine knows it, and the image that holds it.
     *
     * @param toldBy the scan session that speaks for it; null where that was not kept
     */
    public record Selected(
            Finding finding, long imagingId, @Nullable Long toldBy) {

        /** What its bytes are known by: the same bytes of the same image have the same name. */
        public String bytesName() {
            byte[] what = (imagingId + " " + finding.size() + " " + finding.encoding() + " " + finding.extents())
                    .getBytes(StandardCharsets.UTF_8);
            return Hashes.sha256Hex(what, 0, what.length);
        }
    }

    /**
     * A selected line that gets a place in a delivery.
     *
     * @param from where it stood, or what it is called where no record names it
     */
    public record ToPlace(Placeable placeable, String from, long size, Prognosis prognosis) {}

    private static final int BATCH = 500;

    private final CatalogueLines lines;
    private final FoundPages pages;
    private final Choices choices;
    private final LineViews views;
    private final Merge.Into merges;
    private final Cases cases;
    private final WantedStates states;
    private final Versions versions;
    private final Locks locks;
    private final EntityManager entities;

    Catalogues(
            CatalogueLines lines,
            FoundPages pages,
            Choices choices,
            LineViews views,
            Merge.Into merges,
            Cases cases,
            WantedStates states,
            Versions versions,
            Locks locks,
            EntityManager entities) {
        this.lines = lines;
        this.pages = pages;
        this.choices = choices;
        this.views = views;
        this.merges = merges;
        this.cases = cases;
        this.states = states;
        this.versions = versions;
        this.locks = locks;
        this.entities = entities;
    }

    /**
     * Brings a session's findings in; done twice, it changes nothing more.
     *
     * @param told what it brought so far, after each lot
     */
    public Merged merge(String number, long session, long imagingId, Path findings, Consumer<Merged> told)
            throws IOException {
        try (Merge merge = merges.into(number, session, imagingId)) {
            return merge.all(findings, told);
        }
    }

    /** Brings some findings in of a session that goes on, so that they can be looked at. */
    public Merged merge(String number, long session, long imagingId, List<Finding> some) throws IOException {
        try (Merge merge = merges.into(number, session, imagingId)) {
            return merge.these(some);
        }
    }

    @EventListener
    @Transactional
    public void wantedChanged(Cases.WantedChanged changed) {
        long caseId = cases.id(changed.caseNumber());
        List<Fitting> wanted =
                WantedStates.fittings(cases.docket(changed.caseNumber()).said().wanted());
        long after = 0;
        while (true) {
            List<CatalogueLine> batch =
                    lines.findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(caseId, after, Limit.of(BATCH));
            if (batch.isEmpty()) {
                break;
            }
            batch.forEach(l -> l.fit(wanted));
            after = batch.get(batch.size() - 1).id();
            entities.flush();
            entities.clear();
        }
        lines.recountFits(caseId);
    }

    /** @param after the last line of the page before; null for the first page */
    @Transactional(readOnly = true)
    CatalogueViews.Page page(String number, CatalogueFilter filter, @Nullable Long after, @Nullable String sort) {
        long caseId = cases.id(number);
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        CatalogueFilter.Reach reach = pages.reach(number, filter);
        CatalogueLine last = after == null ? null : stored(caseId, after);
        List<CatalogueLine> found = pages.page(reach, filter, LineOrder.of(sort, into), last);
        return new CatalogueViews.Page(
                views.of(number, found),
                pages.countsAtOnce(reach, filter),
                CatalogueViews.Understood.of(reach.question().question()),
                states.of(number),
                choices.sum(caseId),
                into);
    }

    /** Counts all that passes, however long it takes. */
    @Transactional(readOnly = true)
    CatalogueViews.Counts counts(String number, CatalogueFilter filter) {
        return pages.counts(pages.reach(number, filter), filter);
    }

    /** All that stood where a line stands, itself among them, the oldest first. */
    @Transactional(readOnly = true)
    List<CatalogueViews.Line> versions(String number, long id) {
        long caseId = cases.id(number);
        return views.of(number, versions.of(caseId, stored(caseId, id)));
    }

    /** What was selected, in order. */
    @Transactional(readOnly = true)
    public List<Selected> selected(String number) {
        return choices.lines(cases.id(number)).stream()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy()))
                .toList();
    }

    /** What decides where the selected lines lie in a delivery, in the order of {@link #selected}. */
    @Transactional(readOnly = true)
    public List<ToPlace> toPlace(String number) {
        return choices.toPlace(cases.id(number));
    }

    @Transactional(readOnly = true)
    public long selectedCount(String number) {
        return choices.sum(cases.id(number)).files();
    }

    /** Wanted lines that a catalogue line fits, and those that it may fit. */
    public record Fits(List<Long> fits, List<Long> mayFit) {

        public static final Fits NONE = new Fits(List.of(), List.of());
    }

    /** Which wanted lines each of some catalogue lines fits or may fit, by the catalogue line's number. */
    @Transactional(readOnly = true)
    public Map<Long, Fits> wantedBy(String number, List<Long> ids) {
        Map<Long, Fits> fits = new LinkedHashMap<>();
        lines.findByCaseIdAndIdIn(cases.id(number), ids).forEach(l -> {
            fits.put(l.id(), new Fits(l.wanted(), l.mayFit()));
        });
        return fits;
    }

    /**
     * Lines of some kinds, in the order of their numbers.
     *
     * @param after the last line that was had before; 0 to begin
     */
    @Transactional(readOnly = true)
    public List<Selected> ofKinds(String number, Collection<String> kinds, long after, int most) {
        return lines
                .findByCaseIdAndMergedIntoIsNullAndKindInAndIdGreaterThanOrderById(
                        cases.id(number), kinds, after, Limit.of(most))
                .stream()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy()))
                .toList();
    }

    @Transactional(readOnly = true)
    public long countOfKinds(String number, Collection<String> kinds) {
        return pages.kept(cases.id(number)).of(kinds);
    }

    @Transactional(readOnly = true)
    public Selected line(String number, long id) {
        CatalogueLine line = stored(cases.id(number), id);
        return new Selected(line.finding(), line.imagingId(), line.toldBy());
    }

    private CatalogueLine stored(long caseId, long id) {
        return lines.findByCaseIdAndIdIn(caseId, List.of(id)).stream()
                .findFirst()
                .orElseThrow(() -> Refusal.missing("There is no line " + id + " in this catalogue."));
    }
}
