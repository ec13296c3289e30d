package org.brantel.server.desk;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.brantel.server.bench.Bench;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.scan.ScanView;
import org.brantel.server.scan.Scans;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Long work of all cases. */
@Service
class RunningWork {

    private final Bench bench;
    private final Scans scans;
    private final Recoveries recoveries;
    private final CaseLists lists;
    private final Clock clock;

    RunningWork(Bench bench, Scans scans, Recoveries recoveries, CaseLists lists, Clock clock) {
        this.bench = bench;
        this.scans = scans;
        this.recoveries = recoveries;
        this.lists = lists;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    List<DeskViews.Work> all() {
        List<ImagingView> imaging = bench.unfinished().stream()
                .filter(i -> i.state() != WorkState.FAILED)
                .toList();
        List<ScanView> scanning = scans.running();
        List<RecoveryViews.Run> recovering = recoveries.running();
        List<String> numbers = new ArrayList<>();
        imaging.forEach(i -> numbers.add(i.caseNumber()));
        scanning.forEach(s -> numbers.add(s.caseNumber()));
        recovering.forEach(r -> numbers.add(r.caseNumber()));
        Map<String, String> customers = numbers.isEmpty() ? Map.of() : lists.customers(numbers);
        List<DeskViews.Work> work = new ArrayList<>();
        for (ImagingView i : imaging) {
            long left = i.size() - i.readBytes() - i.failedBytes();
            work.add(new DeskViews.Work(
                    i.caseNumber(),
                    customers.get(i.caseNumber()),
                    "Reading",
                    i.state(),
                    (double) (i.size() - left) / i.size(),
                    "imaging",
                    i.state() == WorkState.RUNNING && i.rate() > 0
                            ? clock.instant().plusMillis((long) (1000 * left / i.rate()))
                            : null));
        }
        scanning.forEach(s -> work.add(new DeskViews.Work(
                s.caseNumber(),
                customers.get(s.caseNumber()),
                "Scanning",
                s.state(),
                s.total() == 0 ? 0 : (double) s.done() / s.total(),
                "scanning",
                ends(s.startedAt(), s.done(), s.total()))));
        recovering.forEach(r -> work.add(new DeskViews.Work(
                r.caseNumber(),
                customers.get(r.caseNumber()),
                "Recovering",
                r.state(),
                (double) r.done() / Math.max(1, r.total()),
                "recovery",
                ends(r.startedAt(), r.done(), r.total()))));
        return work;
    }

    private Instant ends(Instant began, long done, long total) {
        long millis = Duration.between(began, clock.instant()).toMillis();
        return done <= 0 || millis < 500 ? null : clock.instant().plusMillis(millis * (total - done) / done);
    }
}
