package org.brantel.server.delivery;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.custody.CustodyChain;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.recovery.Recoveries;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Deliveries: sealed by staff, opened by the customer. */
@Service
public class Deliveries {

    /** A delivery of a case was sealed. */
    public record Sealed(String caseNumber) {}

    private final DeliveryRecords deliveries;
    private final Recoveries recoveries;
    private final Cases cases;
    private final TornRecord torn;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> sealingTask;
    private final Clock clock;

    Deliveries(
            DeliveryRecords deliveries,
            Recoveries recoveries,
            Cases cases,
            TornRecord torn,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> sealingTask,
            Clock clock) {
        this.deliveries = deliveries;
        this.recoveries = recoveries;
        this.cases = cases;
        this.torn = torn;
        this.happenings = happenings;
        this.jobs = jobs;
        this.sealingTask = sealingTask;
        this.clock = clock;
    }

    /** @param manager whether a manager orders it: only they may, where the custody record is torn */
    @Transactional
    public DeliveryViews.Delivery seal(String number, String who, boolean manager) {
        long caseId = cases.id(number);
        List<CustodyChain.Tear> tears = torn.allows(number, manager, "seal its delivery");
        Recoveries.Finished run = recoveries.finished(number);
        if (run.results().stream().noneMatch(r -> r.path() != null)) {
            throw Refusal.conflict(
                    "The recovery run wrote no file, so there is nothing to deliver; choose other findings.");
        }
        Delivery delivery = new Delivery(caseId, run.runId(), who, clock.instant());
        try {
            deliveries.saveAndFlush(delivery);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("A delivery of " + number + " is being sealed; wait for it.");
        }
        happenings.tell(
                number,
                who,
                tears.isEmpty() ? "ordered a delivery" : "ordered a delivery although the record is torn",
                "delivery " + delivery.id() + " of run " + run.runId()
                        + tears.stream().map(t -> "; " + t.words()).collect(Collectors.joining()),
                Topic.DELIVERY);
        jobs.start(sealingTask, delivery.id());
        return delivery.view(number);
    }

    @Transactional(readOnly = true)
    public List<DeliveryViews.Delivery> ofCase(String number) {
        return deliveries.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .map(d -> d.view(number))
                .toList();
    }

    /** The newest delivery of each of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, DeliveryViews.Delivery> newest(Map<Long, String> cases) {
        return deliveries.findNewest(cases.keySet()).stream()
                .map(d -> d.view(Known.in(cases, d.caseId())))
                .collect(Collectors.toMap(DeliveryViews.Delivery::caseNumber, v -> v));
    }

    /** The newest deliveries of all cases. */
    @Transactional(readOnly = true)
    public Paged<DeliveryViews.Delivery> all(int page) {
        Page<Delivery> found = deliveries.findByOrderByIdDesc(Paged.at(page));
        Map<Long, String> numbers = cases.numbers(found.map(Delivery::caseId).toList());
        return Paged.of(found, d -> d.view(Known.in(numbers, d.caseId())));
    }
}
