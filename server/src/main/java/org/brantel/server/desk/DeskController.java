package org.brantel.server.desk;

import java.util.List;
import org.brantel.server.asks.Question;
import org.brantel.server.staff.Staff;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DeskController {

    private final Desk desk;
    private final RunningWork running;
    private final Find find;
    private final Staff staff;

    DeskController(Desk desk, RunningWork running, Find find, Staff staff) {
        this.desk = desk;
        this.running = running;
        this.find = find;
        this.staff = staff;
    }

    /**
     * What needs a decision now, what is running, what today holds.
     * @param listed how many decisions, the most pressing
     * ones
     */
    @GetMapping("/api/desk")
    DeskViews.Desk desk(@RequestParam(defaultValue = "40") int listed) {
        return desk.of(staff.current(), listed);
    }

    /** What one case waits for, the most pressing first; nothing of one that is closed. */
    @GetMapping("/api/cases/{number}/questions")
    List<Question> questions(@PathVariable String number) {
        return desk.ofCase(number, staff.current());
    }

    /** For the indicators on every screen. */
    @GetMapping("/api/running")
    List<DeskViews.Work> running() {
        return running.all();
    }

    @GetMapping("/api/find")
    List<Find.Goal> find(@RequestParam String q) {
        return find.goals(q);
    }
}
