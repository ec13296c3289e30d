package org.brantel.server.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** The keys of cases by their numbers. A case keeps both for ever, so each is asked for once. */
@Component
class CaseKeys {

    /** Some ten megabytes; whoever has looked at more begins anew. */
    private static final int MOST = 100_000;

    private final LabCases cases;
    private final Map<String, Long> known = new ConcurrentHashMap<>();

    CaseKeys(LabCases cases) {
        this.cases = cases;
    }

    Map<Long, String> of(Collection<String> numbers) {
        Map<Long, String> found = new HashMap<>();
        List<String> unknown = new ArrayList<>();
        for (String number : numbers) {
            Long key = known.get(number);
            if (key == null) {
                unknown.add(number);
            } else {
                found.put(key, number);
            }
        }
        if (!unknown.isEmpty()) {
            cases.findKeys(unknown).forEach(k -> found.put(k.id(), k.number()));
            remember(found);
        }
        return found;
    }

    private void remember(Map<Long, String> found) {
        if (known.size() > MOST) {
            known.clear();
        }
        found.forEach((key, number) -> known.put(number, key));
    }
}
