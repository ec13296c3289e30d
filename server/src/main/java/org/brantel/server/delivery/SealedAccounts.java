package org.brantel.server.delivery;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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
                .filter(d -> d.state() == WorkState.DONE && d.account() != null)
                .findFirst()
                .map(d -> wanted(d).stream().collect(Collectors.toMap(Account.Wanted::line, Account.Wanted::delivered)))
                .orElse(Map.of());
    }

    /** What a delivery says of the wanted lines; none where that was not kept yet. */
    static List<Account.Wanted> wanted(Delivery d) {
        try {
            return d.account() == null
                    ? List.of()
                    : List.of(Json.read(d.account(), Account.Wanted[].class, "account", "delivery " + d.id()));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
