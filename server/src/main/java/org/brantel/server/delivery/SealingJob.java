package org.brantel.server.delivery;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.brantel.core.json.Json;
import org.brantel.core.manifest.Bag;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.catalogue.WantedStates;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Packs a recovery run as a signed bag. Nothing goes in that does not hash as it did when it was read back. */
@Component
class SealingJob implements Labour<Delivery> {

    private final DeliveryRecords deliveries;
    private final Recoveries recoveries;
    private final Catalogues catalogues;
    private final WantedStates states;
    private final Cases cases;
    private final ImagingRecords imaging;
    private final ApplicationEventPublisher announcer;
    private final Settings settings;
    private final Clock clock;

    SealingJob(
            DeliveryRecords deliveries,
            Recoveries recoveries,
            Catalogues catalogues,
            WantedStates states,
            Cases cases,
            ImagingRecords imaging,
            ApplicationEventPublisher announcer,
            Settings settings,
            Clock clock) {
        this.deliveries = deliveries;
        this.recoveries = recoveries;
        this.catalogues = catalogues;
        this.states = states;
        this.cases = cases;
        this.imaging = imaging;
        this.announcer = announcer;
        this.settings = settings;
        this.clock = clock;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> sealingTask(LongWork work, SealingJob job) {
            return work.define("sealing", job);
        }
    }

    @Override
    public String name() {
        return "sealing a delivery";
    }

    @Override
    public Topic topic() {
        return Topic.DELIVERY;
    }

    @Override
    public DeliveryRecords records() {
        return deliveries;
    }

    @Override
    public String consequence() {
        return "the lab store is untouched, seal it again";
    }

    @Override
    public Step<Delivery> work(WorkRun<Delivery> run) throws IOException {
        String number = run.number();
        Account account = account(run.record(), number);
        Bag.Sealed sealed = seal(run.record(), number, account);
        return Step.<Delivery>to(d -> d.seal(sealed, Json.write(account.wanted()), run.now()))
                .told(
                        "sealed a delivery",
                        "delivery " + run.id() + ", " + says(account) + ", manifest SHA-256 " + sealed.manifestSha256()
                                + ", signed by " + sealed.fingerprint())
                .also(() -> {
                    cases.moveTo(number, Stage.HANDOVER, Happenings.MACHINE);
                    announcer.publishEvent(new Deliveries.Sealed(number));
                });
    }

    /** From the files of the run alone; what the catalogue knows now is only what was found and chosen. */
    private Account account(Delivery delivery, String number) {
        List<RecoveryViews.File> results = recoveries.finished(delivery.runId()).results();
        List<Account.Line> files = Account.lines(
                results,
                catalogues.wantedBy(
                        number, results.stream().map(RecoveryViews.File::line).toList()),
                devices(number, results));
        Map<Long, List<Long>> theirs = states.theirs(number);
        return Account.of(
                number,
                settings.lab(),
                files,
                states.with(number, l -> Account.delivered(files, l, theirs.get(l.id()))));
    }

    /** What the devices are called that files were taken from, by the session that read them. */
    private Map<Long, String> devices(String number, List<RecoveryViews.File> results) {
        CaseViews.Docket docket = cases.docket(number);
        List<Long> sessions = results.stream()
                .map(RecoveryViews.File::from)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        return imaging.of(sessions).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> called(docket, e.getValue())));
    }

    private static String called(CaseViews.Docket docket, long id) {
        return docket.said().devices().stream()
                .filter(d -> d.id() == id)
                .findFirst()
                .map(d -> docket.whichOf(d) + d.name() + serial(d.label().serial()))
                .orElse("a device that was taken off the intake");
    }

    private static String serial(String serial) {
        return serial.isEmpty() ? "" : ", serial " + serial;
    }

    private static String says(Account account) {
        Map<Delivered, Long> by =
                account.files().stream().collect(Collectors.groupingBy(Account.Line::delivered, Collectors.counting()));
        return by.getOrDefault(Delivered.WHOLE, 0L) + " files whole, " + by.getOrDefault(Delivered.GAPPED, 0L)
                + " with gaps, "
                + by.getOrDefault(Delivered.DOUBTFUL, 0L) + " in doubt, " + by.getOrDefault(Delivered.NOT_DELIVERED, 0L)
                + " not delivered";
    }

    private Bag.Sealed seal(Delivery delivery, String number, Account account) throws IOException {
        Recoveries.Finished run = recoveries.finished(delivery.runId());
        Path bag = settings.bags()
                .resolve(number)
                .resolve(number + "-delivery-" + delivery.id())
                .toAbsolutePath();
        Files.createDirectories(bag.getParent());
        Files.createDirectories(run.files());
        Bag.Sealed sealed = Bag.seal(
                run.files(),
                bag,
                new BagInfo(
                        settings.lab(),
                        number + " delivery " + delivery.id(),
                        "Files recovered for "
                                + cases.docket(number).said().customer().name(),
                        LocalDate.now(clock.withZone(settings.zone()))),
                account.json(),
                LabKey.at(settings.key()));
        long expected = 0;
        for (RecoveryViews.File file : run.results()) {
            if (file.path() == null) {
                continue;
            }
            expected++;
            String hash = file.sha256();
            if (hash == null || !hash.equals(sealed.sha256().get("data/" + file.path()))) {
                throw new IOException("The file " + file.path()
                        + " in the lab store no longer hashes as it did when it was recovered; "
                        + "recover the selection again.");
            }
        }
        if (expected != sealed.files()) {
            throw new IOException("The lab store holds " + sealed.files() + " files, the recovery run wrote " + expected
                    + "; recover the selection again.");
        }
        return sealed;
    }
}
