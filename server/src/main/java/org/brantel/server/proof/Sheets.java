package org.brantel.server.proof;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.sight.Sights;
import org.brantel.server.work.Passes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Has the small pictures of a case drawn ahead, and says how far they are. */
@Service
class Sheets {

    private final SheetRuns runs;
    private final Sights sights;
    private final Catalogues catalogues;
    private final Cases cases;
    private final Locks locks;
    private final Passes passes;
    private final Passes.Kind<SheetRun> kind;

    Sheets(
            SheetRuns runs,
            Sights sights,
            Catalogues catalogues,
            Cases cases,
            Locks locks,
            Passes passes,
            OneTimeTask<Long> sheetTask) {
        this.runs = runs;
        this.sights = sights;
        this.catalogues = catalogues;
        this.cases = cases;
        this.locks = locks;
        this.passes = passes;
        this.kind = new Passes.Kind<>(runs, runs::save, "drawing small pictures", Topic.SHEET, sheetTask);
    }

    @Transactional(readOnly = true)
    SheetViews.State state(String number) {
        long caseId = cases.id(number);
        // Before the counts, which then hold all that it did.
        SheetViews.Run run =
                runs.findFirstByCaseIdOrderByIdDesc(caseId).map(SheetRun::view).orElse(null);
        Sights.Count count = sights.count(caseId);
        return new SheetViews.State(
                catalogues.countOfKinds(number, Drawing.pictures()), count.tried(), count.drawn(), run);
    }

    /** Draws what was not drawn yet, or goes on with it. */
    @Transactional
    SheetViews.State start(String number, String who) {
        locks.look(number, Look.PREVIEWS, "the pictures");
        if (catalogues.countOfKinds(number, Drawing.pictures()) == 0) {
            throw Refusal.conflict("The catalogue of " + number + " has no pictures.");
        }
        passes.begin(kind, number, who, (caseId, at) -> new SheetRun(caseId, who, at));
        return state(number);
    }

    @Transactional
    SheetViews.State pause(String number, String who) {
        passes.pause(kind, number, who);
        return state(number);
    }
}
