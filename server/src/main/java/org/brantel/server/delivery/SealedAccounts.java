package org.brantel.server.delivery;

import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.WantedTally;
import org.brantel.server.catalogue.DeliveredCounts;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the newest sealed delivery of a case said of the wanted lines; never computed again. */
@Component
class SealedAccounts implements DeliveredCounts {

    private final DeliveryRecords deliveries;
    private final Cases cases;

    SealedAccounts(DeliveryRecords deliveries, Cases cases) {
        this.deliveries = deliveries;
        this.cases = cases;
    }

    @Override
    @Transactional(readOnly = true)
    public Map<Long, WantedTally.Delivered> delivered(String number) {
        return deliveries.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(d -> d.state() == WorkState.DONE)
                .flatMap(d -> Stream.ofNullable(d.account()).map(account -> read(account, d.id())))
                .findFirst()
                .map(own ->
                        Arrays.stream(own).collect(Collectors.toMap(Account.Wanted::line, Account.Wanted::delivered)))
                .orElse(Map.of());
    }

    private static Account.Wanted[] read(String account, long delivery) {
        try {
            return Json.read(account, Account.Wanted[].class, "account", "delivery " + delivery);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
