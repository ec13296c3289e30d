package org.brantel.server.labs;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** A case that is being packed is not closed meanwhile. */
@Component
class PackingUnfinished implements Unfinished {

    private final Packings packings;
    private final Cases cases;

    PackingUnfinished(Packings packings, Cases cases) {
        this.packings = packings;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return packings.existsByCaseIdAndStateIn(cases.id(caseNumber), WorkState.AT_WORK)
                ? List.of("It is being packed for another lab; that ends by itself.")
                : List.of();
    }
}
