package org.brantel.demo;

import java.io.IOException;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.core.scan.ScanMethod;
import org.brantel.server.bench.Attaching;
import org.brantel.server.bench.Bench;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Selecting;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.scan.Scans;
import org.brantel.server.work.WorkState;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Takes two demo cases along, by the same services and jobs that people use, so that every room has something in it.
 */
@Component
class DemoStory {

    private static final Logger LOG = LoggerFactory.getLogger(DemoStory.class);
    private static final String ENGINEER = DemoStaff.TOM.name();
    private static final String COORDINATOR = DemoStaff.UNA.name();
    private static final Duration LONGEST = Duration.ofMinutes(2);

    private final Attaching attaching;
    private final Bench bench;
    private final ImagingRecords imaging;
    private final Scans scans;
    private final Selecting selecting;
    private final Recoveries recoveries;
    private final Deliveries deliveries;

    DemoStory(
            Attaching attaching,
            Bench bench,
            ImagingRecords imaging,
            Scans scans,
            Selecting selecting,
            Recoveries recoveries,
            Deliveries deliveries) {
        this.attaching = attaching;
        this.bench = bench;
        this.imaging = imaging;
        this.scans = scans;
        this.selecting = selecting;
        this.recoveries = recoveries;
        this.deliveries = deliveries;
    }

    /**
     * @param delivered is taken as far as a sealed delivery
     * @param droppedOut its card drops out while it is read, and waits for a decision
     */
    void begin(String delivered, String droppedOut) {
        Thread teller = new Thread(
                () -> {
                    try {
                        read(droppedOut, "sim/weather-post-card", "failing");
                        deliver(delivered);
                    } catch (IOException | RuntimeException e) {
                        LOG.warn(
                                "The demo story ended early; the lab works, two of its cases stay where they are: {}",
                                e.getMessage());
                    }
                },
                "demo-story");
        teller.setDaemon(true);
        teller.start();
    }

    private void read(String number, String medium, String profile) throws IOException {
        attaching.attach(number, medium, ENGINEER);
        bench.start(number, profile, ENGINEER);
    }

    private void deliver(String number) throws IOException {
        read(number, "sim/beekeepers-card", "healthy");
        await(() -> imaging.sessions(number).get(0).standing().state() == WorkState.DONE);
        scans.start(number, Scans.Scope.whole(ScanMethod.BOTH), ENGINEER);
        await(() -> scans.sessions(number).get(0).standing().state() == WorkState.DONE);
        selecting.selectRecoverable(number, COORDINATOR);
        recoveries.start(number, new RecoveryViews.Laying(Layout.AS_IT_STOOD, NameRules.WINDOWS), COORDINATOR);
        await(() -> recoveries.runs(number).get(0).standing().state() == WorkState.DONE);
        deliveries.seal(number, COORDINATOR, false);
    }

    private static void await(BooleanSupplier done) {
        long until = System.nanoTime() + LONGEST.toNanos();
        while (!done.getAsBoolean()) {
            if (System.nanoTime() > until) {
                throw new IllegalStateException("a job took longer than " + LONGEST.toMinutes() + " minutes");
            }
            try {
                Thread.sleep(100);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("the server stops", e);
            }
        }
    }
}
