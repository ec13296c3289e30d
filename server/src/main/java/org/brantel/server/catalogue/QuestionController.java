package org.brantel.server.catalogue;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import org.brantel.core.question.Question;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Questions that are kept with a case, so that they can be asked of it again. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue/questions")
class QuestionController {

    private static final int MOST = 50;

    static final String LONGEST = "A question has at most 1,000 signs; ask for less at once.";

    record Keep(
            @NotBlank(message = "There is no question to keep.") @Size(max = Question.LONGEST, message = LONGEST)
            String words) {}

    private final KeptQuestions kept;
    private final Cases cases;
    private final Staff staff;
    private final Happenings happenings;
    private final Clock clock;

    QuestionController(KeptQuestions kept, Cases cases, Staff staff, Happenings happenings, Clock clock) {
        this.kept = kept;
        this.cases = cases;
        this.staff = staff;
        this.happenings = happenings;
        this.clock = clock;
    }

    @GetMapping
    @Transactional(readOnly = true)
    List<KeptQuestion.KeptView> keptQuestions(@PathVariable String number) {
        return all(cases.id(number));
    }

    /** Keeps a question; one that is kept already stays as it is. */
    @PostMapping
    @Transactional
    List<KeptQuestion.KeptView> keepQuestion(@PathVariable String number, @Valid @RequestBody Keep keep) {
        long caseId = cases.id(number);
        String words = keep.words().strip();
        boolean isKept = kept.findByCaseIdOrderById(caseId).stream()
                .anyMatch(k -> k.words().equalsIgnoreCase(words));
        if (!isKept) {
            if (kept.countByCaseId(caseId) >= MOST) {
                throw Refusal.conflict("This case keeps " + MOST + " questions already; let one go first.");
            }
            kept.save(new KeptQuestion(caseId, words, staff.current().name(), clock.instant()));
            happenings.changed(number, Topic.QUESTION);
        }
        return all(caseId);
    }

    @DeleteMapping("/{id}")
    @Transactional
    List<KeptQuestion.KeptView> forgetQuestion(@PathVariable String number, @PathVariable long id) {
        long caseId = cases.id(number);
        if (kept.deleteByCaseIdAndId(caseId, id) > 0) {
            happenings.changed(number, Topic.QUESTION);
        }
        return all(caseId);
    }

    private List<KeptQuestion.KeptView> all(long caseId) {
        return kept.findByCaseIdOrderById(caseId).stream()
                .map(KeptQuestion::view)
                .toList();
    }
}
