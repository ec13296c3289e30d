package org.brantel.server.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.brantel.core.wanted.Fitting;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Known;
import org.brantel.server.remark.RemarkViews;
import org.brantel.server.remark.Remarks;
import org.brantel.server.selection.Marks;
import org.brantel.server.selection.Selections;
import org.brantel.server.sight.Sights;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Shows lines with what stands beside them on record; within a transaction. */
@Component
class LineViews {

    private final SeenLines seen;
    private final Selections selections;
    private final Remarks remarks;
    private final Sights sights;
    private final Cases cases;
    private final Locks locks;
    private final ImagingRecords imaging;
    private final Searched searched;

    LineViews(
            SeenLines seen,
            Selections selections,
            Remarks remarks,
            Sights sights,
            Cases cases,
            Locks locks,
            ImagingRecords imaging,
            Searched searched) {
        this.seen = seen;
        this.selections = selections;
        this.remarks = remarks;
        this.sights = sights;
        this.cases = cases;
        this.locks = locks;
        this.imaging = imaging;
        this.searched = searched;
    }

    List<CatalogueViews.Line> of(String number, List<CatalogueLine> some) {
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        List<Fitting> wanted = WantedStates.fittings(cases.docket(number).said().wanted());
        List<Long> ids = some.stream().map(CatalogueLine::id).toList();
        Map<Long, Seen> seenBy = seen.of(ids);
        long caseId = cases.id(number);
        List<Long> images = some.stream().map(CatalogueLine::imagingId).toList();
        Map<Long, Long> devices = imaging.of(images);
        Map<Long, String> labs = imaging.labs(images);
        Map<Long, Long> scanned = searched.devices(caseId);
        Marks chosen = selections.chosen(caseId);
        Map<Long, RemarkViews.Remark> said = remarks.of(caseId, ids);
        Map<Long, Sights.Seen> sightOf = into ? sights.of(ids) : Map.of();
        return some.stream()
                .map(l -> l.view(
                        into,
                        on(l, devices, labs.get(l.imagingId()), scanned, seenBy.getOrDefault(l.id(), Seen.NOWHERE)),
                        wanted,
                        seenBy.getOrDefault(l.id(), Seen.NOWHERE),
                        new CatalogueViews.Lab(chosen.has(l.id()), said.get(l.id()), look(sightOf.get(l.id())))))
                .toList();
    }

    private static CatalogueLine.On on(
            CatalogueLine line, Map<Long, Long> read, @Nullable String elsewhere, Map<Long, Long> scanned, Seen seen) {
        long device = Known.in(read, line.imagingId());
        List<Long> all = Stream.concat(
                        Stream.of(device),
                        seen.sessions().stream().map(scanned::get).filter(Objects::nonNull))
                .distinct()
                .sorted()
                .toList();
        return new CatalogueLine.On(device, elsewhere, all);
    }

    private static @Nullable String look(Sights.@Nullable Seen seen) {
        return seen == null ? null : seen.look();
    }
}
