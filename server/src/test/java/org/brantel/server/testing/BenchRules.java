package org.brantel.server.testing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The lab's rules for its bench as a form sends them: no limits, no quiet hours, nothing by itself, unless it is said. */
public final class BenchRules {

    private final Map<String, Object> rules = new HashMap<>(Map.of(
            "mibPerSecond", 0, "quietFrom", "00:00", "quietTo", "00:00", "healthSeconds", 60, "scanRecords", false));
    private final List<Map<String, String>> boxes = new ArrayList<>();

    public BenchRules with(String rule, Object value) {
        rules.put(rule, value);
        return this;
    }

    public BenchRules box(String name, int port) {
        boxes.add(Map.of("name", name, "address", "nbd://127.0.0.1:" + port));
        return this;
    }

    /** Sets them; only a manager may. */
    public void set(Visitor manager) {
        rules.put("boxes", boxes);
        manager.put("/api/settings/bench", rules).expect(200);
    }
}
