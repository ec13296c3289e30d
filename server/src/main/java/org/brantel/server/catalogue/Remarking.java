package org.brantel.server.catalogue;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.remark.RemarkViews;
import org.brantel.server.remark.Remarks;
import org.brantel.server.selection.Marks;
import org.brantel.server.selection.Selections;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Remarks on lines of a catalogue. */
@Service
class Remarking {

    private final CatalogueLines lines;
    private final Remarks remarks;
    private final Selections selections;
    private final Cases cases;
    private final Happenings happenings;

    Remarking(CatalogueLines lines, Remarks remarks, Selections selections, Cases cases, Happenings happenings) {
        this.lines = lines;
        this.remarks = remarks;
        this.selections = selections;
        this.cases = cases;
        this.happenings = happenings;
    }

    @Transactional
    RemarkViews.Remarked remark(String number, RemarkViews.Remarking to, String who) {
        if (to.called() != null
                && !to.called().isBlank()
                && (to.chosen() || to.lines().size() > 1)) {
            throw Refusal.badInput("called", "A name is given to one finding at a time.");
        }
        long caseId = cases.id(number);
        List<Long> known = lines.findByCaseIdAndIdIn(caseId, to.chosen() ? chosen(caseId) : to.lines()).stream()
                .filter(l -> l.mergedInto() == null)
                .map(CatalogueLine::id)
                .sorted()
                .toList();
        if (known.isEmpty()) {
            throw Refusal.missing(
                    to.chosen()
                            ? "Nothing is chosen; choose findings first."
                            : "None of these findings is in this catalogue any more; look at it anew.");
        }
        RemarkViews.Remarked done = remarks.change(caseId, known, to, who);
        happenings.changed(number, Topic.CATALOGUE);
        return done;
    }

    private List<Long> chosen(long caseId) {
        Marks marks = selections.chosen(caseId);
        if (marks.count() > RemarkViews.MOST) {
            throw Refusal.conflict(
                    "More than " + RemarkViews.MOST + " findings are chosen; a remark is made on fewer at once.");
        }
        return marks.lines().boxed().toList();
    }

    @Transactional
    void takeBack(String number, RemarkViews.Remarked change, String who) {
        if (remarks.takeBack(cases.id(number), change, who) == 0) {
            throw Refusal.conflict("Somebody remarked on these findings since; they stay as they are.");
        }
        happenings.changed(number, Topic.CATALOGUE);
    }

    @Transactional(readOnly = true)
    List<RemarkViews.Tag> tags(String number) {
        return remarks.tags(cases.id(number));
    }
}
