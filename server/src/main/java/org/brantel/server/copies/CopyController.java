package org.brantel.server.copies;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/copies")
class CopyController {

    record NewFinding(
            @NotNull(message = "Choose a place.") CopyPlace place,

            @NotNull(message = "Which of several may be empty, but not absent.")
            @Size(max = 100, message = "Which of several places it is takes more than 100 characters.")
            String called,

            @NotNull(message = "Choose what came of it.") Result result,

            @NotNull(message = "Who looked may be empty, but not absent.")
            @Size(max = 100, message = "Who looked is longer than 100 characters.")
            String lookedBy,

            @Nullable LocalDate newest,

            @NotNull(message = "What was opened may be empty, but not absent.")
            @Size(max = 300, message = "What was opened is longer than 300 characters.")
            String opened,

            @NotNull(message = "The wanted lines may be none, but not absent.")
            @Size(max = 500, message = "More than 500 wanted lines are too many.")
            List<@NotNull(message = "A wanted line has a number.") Long> covers,

            @NotNull(message = "Words may be empty, but not absent.")
            @Size(max = 1000, message = "What is written down is longer than 1000 characters.")
            String words) {

        CopyViews.Finding finding() {
            return new CopyViews.Finding(result, lookedBy, newest, opened, covers, words);
        }
    }

    private final CopySearches copies;
    private final Staff staff;

    CopyController(CopySearches copies, Staff staff) {
        this.copies = copies;
        this.staff = staff;
    }

    @GetMapping
    CopyViews.Search search(@PathVariable String number) {
        return copies.search(number);
    }

    /** What came of looking at one place, in the stead of what was noted of it before. */
    @PutMapping
    CopyViews.Search note(@PathVariable String number, @Valid @RequestBody NewFinding given) {
        copies.note(
                number,
                given.place(),
                given.called(),
                given.finding(),
                staff.current().name());
        return copies.search(number);
    }
}
