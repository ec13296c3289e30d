package org.brantel.server.day;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DayController {

    private final Day day;

    DayController(Day day) {
        this.day = day;
    }

    /** What is late, what is open in money, and how the cases of the last days ended. */
    @GetMapping("/api/day")
    DayViews.Day day(@RequestParam(defaultValue = "30") int days) {
        return day.of(days);
    }
}
