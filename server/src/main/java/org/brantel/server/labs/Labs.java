package org.brantel.server.labs;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.manifest.LabKey;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.WorkState;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What other labs have to do with our cases, and how a case is packed for one. */
@Service
class Labs {

    /** A file that is ready to be taken out. */
    record Ready(Path file, String name) {}

    private final Packings packings;
    private final CaseHomes homes;
    private final ForeignRecords others;
    private final Cases cases;
    private final Jobs jobs;
    private final OneTimeTask<Long> packingTask;
    private final Happenings happenings;
    private final Settings settings;
    private final Clock clock;

    Labs(
            Packings packings,
            CaseHomes homes,
            ForeignRecords others,
            Cases cases,
            Jobs jobs,
            @Qualifier("packingTask") OneTimeTask<Long> packingTask,
            Happenings happenings,
            Settings settings,
            Clock clock) {
        this.packings = packings;
        this.homes = homes;
        this.others = others;
        this.cases = cases;
        this.jobs = jobs;
        this.packingTask = packingTask;
        this.happenings = happenings;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    LabsViews.State state(String number) throws IOException {
        long caseId = cases.id(number);
        return new LabsViews.State(
                settings.lab(),
                LabKey.at(settings.key()).fingerprint(),
                packings.findByCaseIdOrderByIdDesc(caseId).stream()
                        .map(Packing::view)
                        .toList(),
                homes.findByCaseIdOrderByCameAt(caseId).stream()
                        .map(this::elsewhere)
                        .toList());
    }

    private LabsViews.Elsewhere elsewhere(CaseHome h) {
        List<CustodyEntry> entries = others.of(h.home().fingerprint(), h.home().number());
        return new LabsViews.Elsewhere(
                h.home().lab(),
                h.home().fingerprint(),
                h.home().number(),
                h.cameAt(),
                entries,
                CustodyChain.check(entries, h.lastNumber(), h.lastHash()));
    }

    @Transactional
    LabsViews.Packing pack(String number, String forLab, String why, String who) {
        long caseId = cases.id(number);
        if (packings.existsByCaseIdAndStateIn(caseId, WorkState.AT_WORK)) {
            throw Refusal.conflict(number + " is being packed already; wait for that.");
        }
        Packing packing = packings.save(new Packing(caseId, forLab, why, who, clock.instant()));
        happenings.tell(
                number,
                who,
                "asked for the case to be packed",
                "packing " + packing.id() + " for " + forLab + ", because: " + why,
                Topic.LABS);
        jobs.start(packingTask, packing.id());
        return packing.view();
    }

    /** Goes out; that is on record before its first byte does. */
    @Transactional
    Ready takeOut(long id, String who) {
        Packing packing = packings.findById(id).orElseThrow(() -> Refusal.missing("There is no packing " + id + "."));
        String number = cases.number(packing.caseId());
        if (packing.state() != WorkState.DONE) {
            throw Refusal.conflict("Packing " + id + " is not done, so there is nothing to take out yet.");
        }
        Path file = Path.of(packing.file());
        if (!Files.isRegularFile(file)) {
            throw Refusal.gone("The file of packing " + id + " is no longer there; pack the case again.");
        }
        packing.taken(clock.instant());
        happenings.tell(
                number, who, "took the packed case out", "packing " + id + " for " + packing.forLab(), Topic.LABS);
        return new Ready(file, file.getFileName().toString());
    }
}
