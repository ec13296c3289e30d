package org.brantel.server.intake;

import java.time.Instant;
import java.time.LocalDate;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Cases that are set aside until a day, and taken up again. */
@Service
public class Holds {

    private final LabCases cases;
    private final CaseCourse course;
    private final Happenings happenings;
    private final CaseClock clock;

    Holds(LabCases cases, CaseCourse course, Happenings happenings, CaseClock clock) {
        this.cases = cases;
        this.course = course;
        this.happenings = happenings;
        this.clock = clock;
    }

    /**
     * Sets a case aside.
     *
     * @param until the day on which it comes up again
     */
    @Transactional
    public void hold(String number, String reason, LocalDate until, String who) {
        LabCase labCase = cases.byNumber(number);
        if (!labCase.stage().isOpen()) {
            throw Refusal.conflict(number + " is " + labCase.stage().word() + "; only an open case can be held.");
        }
        if (reason == null || reason.isBlank()) {
            throw Refusal.badInput("reason", "Write down what the case waits for.");
        }
        if (until == null
                || !until.isAfter(clock.today())
                || until.isAfter(clock.today().plusYears(1))) {
            throw Refusal.badInput("until", "A case wakes on a day from tomorrow to a year from now.");
        }
        boolean fresh = labCase.stage() != Stage.ON_HOLD;
        labCase.hold(reason.strip(), until, clock.now());
        if (fresh) {
            course.came(labCase, Stage.ON_HOLD, clock.now(), who);
        }
        happenings.tell(
                number,
                who,
                fresh ? "held the case" : "holds the case longer",
                "until " + until + ": " + reason.strip(),
                Topic.CASE);
    }

    /** Takes a held case up again, where its work is. */
    @Transactional
    public void wake(String number, String who) {
        LabCase labCase = cases.byNumber(number);
        if (labCase.stage() != Stage.ON_HOLD) {
            throw Refusal.conflict(number + " is not on hold; somebody took it up already.");
        }
        happenings.tell(number, who, "took the case up again", "");
        course.moveTo(labCase, labCase.heldFrom(), who);
    }

    /** Takes a hold back as if it had never been: the case stands where it stood, and that stage's clock goes on. */
    @Transactional
    public void takeBack(String number, String who) {
        LabCase labCase = cases.byNumber(number);
        if (labCase.stage() != Stage.ON_HOLD) {
            throw Refusal.conflict(number + " is not on hold any more, so its hold cannot be taken back.");
        }
        course.backTo(labCase, labCase.heldFrom());
        happenings.tell(number, who, "took the hold back", "", Topic.CASE);
    }

    /**
     * Puts a hold back as it was before the case was taken up, or before it was held longer.
     *
     * @param until as it was, even if that day has come
     */
    @Transactional
    public void putBack(String number, String reason, LocalDate until, String who) {
        LabCase labCase = cases.byNumber(number);
        Instant since = course.lastIn(labCase, Stage.ON_HOLD)
                .filter(at -> labCase.stage().isOpen())
                .orElseThrow(() -> Refusal.conflict(number + " was not on hold, so no hold can be put back."));
        labCase.hold(reason.strip(), until, since);
        happenings.tell(number, who, "put the hold back", "until " + until + ": " + reason.strip(), Topic.CASE);
    }
}
