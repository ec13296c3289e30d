package org.brantel.server.proof;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.catalogue.LinePass;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Ticker;
import org.brantel.server.platform.Topic;
import org.brantel.server.sight.Sights;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.brantel.server.workers.Workers;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/**
 * Draws the small pictures of a case ahead and looks at each: stopped or killed, it goes on where it was. One at a time:
 * the other processors are for the pictures that somebody waits for.
 */
@Component
class SheetJob implements Labour<SheetRun> {

    private static final int SHOWN_MILLIS = 1000;

    private final SheetRuns runs;
    private final Sights sights;
    private final Catalogues catalogues;
    private final LinePass pass;
    private final SmallPictures small;
    private final Workers workers;
    private final Locks locks;

    SheetJob(
            SheetRuns runs,
            Sights sights,
            Catalogues catalogues,
            LinePass pass,
            SmallPictures small,
            Workers workers,
            Locks locks) {
        this.runs = runs;
        this.sights = sights;
        this.catalogues = catalogues;
        this.pass = pass;
        this.small = small;
        this.workers = workers;
        this.locks = locks;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> sheetTask(LongWork work, SheetJob job) {
            return work.define("sheet", job);
        }
    }

    @Override
    public String name() {
        return "drawing small pictures";
    }

    @Override
    public Topic topic() {
        return Topic.SHEET;
    }

    @Override
    public SheetRuns records() {
        return runs;
    }

    @Override
    public String consequence() {
        return "what was drawn is shown at once, it can be begun again";
    }

    @Override
    public Step<SheetRun> work(WorkRun<SheetRun> run) throws IOException {
        int all = Math.toIntExact(catalogues.countOfKinds(run.number(), Drawing.pictures()));
        run.progress(r -> r.runOver(all));
        Sheet sheet = new Sheet(run);
        boolean asked;
        try {
            asked = pass.over(run.number(), Drawing.pictures(), run.asked(), sheet);
            sheet.flush();
        } finally {
            // What was drawn while the customer took their yes back goes as well.
            if (!locks.mayLook(run.number(), Look.PREVIEWS)) {
                small.forget(run.number());
            }
        }
        if (asked && run.serverStops()) {
            throw run.leave();
        }
        SheetViews.Run v = run.fresh().view();
        return Step.<SheetRun>to(r -> r.end(asked, run.now()))
                .told(
                        asked ? "paused drawing small pictures" : "drew the small pictures",
                        "run " + run.id() + ": " + v.done() + " of " + v.total() + " pictures, " + v.undrawn()
                                + " cannot be drawn");
    }

    /** One run. */
    private final class Sheet implements LinePass.Over {
        private final WorkRun<SheetRun> run;
        private final List<Sights.Seen> fresh = new ArrayList<>();
        private final Ticker ticker = new Ticker(SHOWN_MILLIS);
        private Map<Long, Sights.Seen> known = Map.of();
        private int tried;
        private int undrawn;

        Sheet(WorkRun<SheetRun> run) {
            this.run = run;
        }

        @Override
        public void lot(List<Catalogues.Selected> lines) {
            locks.look(run.number(), Look.PREVIEWS, "the pictures");
            flush();
            known = sights.of(lines.stream().map(l -> l.finding().id()).toList());
        }

        @Override
        public void line(Catalogues.Selected line) throws IOException {
            Sights.Seen seen = known.get(line.finding().id());
            // What draws it may be there by now, or have more time.
            if (seen == null || !seen.drawn() || !seen.content().equals(line.bytesName())) {
                seen = see(line);
                fresh.add(seen);
            }
            tried++;
            undrawn += seen.drawn() ? 0 : 1;
            if (ticker.due()) {
                flush();
            }
        }

        private Sights.Seen see(Catalogues.Selected line) throws IOException {
            long id = line.finding().id();
            try {
                byte[] look = workers.work(LookChore.class, "", small.of(run.number(), line));
                return new Sights.Seen(
                        id,
                        line.bytesName(),
                        true,
                        look.length == 0 ? null : new String(look, StandardCharsets.US_ASCII));
            } catch (Refusal | Workers.Died notDrawn) {
                return new Sights.Seen(id, line.bytesName(), false, null);
            }
        }

        void flush() {
            if (tried == 0) {
                return;
            }
            run.progress(r -> {
                sights.keep(r.caseId(), fresh);
                r.count(tried, undrawn);
            });
            fresh.clear();
            tried = 0;
            undrawn = 0;
        }
    }
}
