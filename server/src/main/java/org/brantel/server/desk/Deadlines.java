package org.brantel.server.desk;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/** Files that are needed today, tomorrow, or were needed already. */
@Component
class Deadlines implements Pressing {

    private final Settings settings;
    private final Clock clock;

    Deadlines(Settings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    public Map<String, List<Pressure>> of(OpenCases open) {
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        Map<String, List<Pressure>> near = new LinkedHashMap<>();
        for (CaseViews.Summary c : open.all()) {
            LocalDate needed = c.waiting().deadline();
            if (needed != null && !needed.isAfter(today.plusDays(1))) {
                near.put(c.number(), List.of(new Pressure(false, words(ChronoUnit.DAYS.between(today, needed)))));
            }
        }
        return near;
    }

    private static String words(long days) {
        if (days >= 0) {
            return days == 0 ? "The files are needed today." : "The files are needed tomorrow.";
        }
        return days == -1 ? "The files were needed yesterday." : "The files were needed " + -days + " days ago.";
    }
}
