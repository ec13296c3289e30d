package org.brantel.server.bench;

import org.brantel.core.imaging.SharedRate;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What all sessions together may read, and the other rules of the bench; looked up every other second. */
@Component
class LabRate {

    private final LabSettings settings;
    private volatile LabSettings.@Nullable BenchRules rules;
    private final SharedRate rate = new SharedRate(() -> rules().mibPerSecond() * 1048576L);

    LabRate(LabSettings settings) {
        this.settings = settings;
    }

    @Scheduled(fixedDelay = 2000)
    void look() {
        rules = settings.bench();
    }

    LabSettings.BenchRules rules() {
        LabSettings.BenchRules known = rules;
        return known == null ? settings.bench() : known;
    }

    SharedRate rate() {
        return rate;
    }
}
