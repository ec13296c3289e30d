package org.brantel.server.proof;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.sight.Sights;
import org.brantel.server.work.Ask;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Has the small pictures of a case drawn ahead, and says how far they are. */
@Service
class Sheets {

    private static final String DRAWING = "drawing small pictures";

    private final SheetRuns runs;
    private final Sights sights;
    private final Catalogues catalogues;
    private final Cases cases;
    private final Locks locks;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> sheetTask;
    private final Clock clock;

    Sheets(
            SheetRuns runs,
            Sights sights,
            Catalogues catalogues,
            Cases cases,
            Locks locks,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> sheetTask,
            Clock clock) {
        this.runs = runs;
        this.sights = sights;
        this.catalogues = catalogues;
        this.cases = cases;
        this.locks = locks;
        this.happenings = happenings;
        this.jobs = jobs;
        this.sheetTask = sheetTask;
        this.clock = clock;
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
        long caseId = cases.id(number);
        SheetRun last = runs.findFirstByCaseIdOrderByIdDesc(caseId).orElse(null);
        if (last != null && last.state().isAtWork()) {
            throw Refusal.conflict("The small pictures of " + number + " are being drawn already.");
        }
        if (catalogues.countOfKinds(number, Drawing.pictures()) == 0) {
            throw Refusal.conflict("The catalogue of " + number + " has no pictures.");
        }
        SheetRun run = runs.save(new SheetRun(caseId, who, clock.instant()));
        happenings.tell(number, who, "began " + DRAWING, "run " + run.id(), Topic.SHEET);
        jobs.start(sheetTask, run.id());
        return state(number);
    }

    @Transactional
    SheetViews.State pause(String number, String who) {
        SheetRun run = runs.findFirstByCaseIdOrderByIdDesc(cases.id(number))
                .filter(r -> r.state().isAtWork())
                .orElseThrow(() -> Refusal.conflict("No pictures are being drawn, so there is nothing to pause."));
        run.ask(Ask.PAUSE);
        happenings.tell(number, who, "asked to pause " + DRAWING, "run " + run.id(), Topic.SHEET);
        return state(number);
    }
}
