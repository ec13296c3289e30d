package org.brantel.server.intake;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.brantel.core.kinds.Kinds;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases")
class CaseController {

    record NewHold(
            @NotBlank(message = "Write down what the case waits for.")
            @Size(max = 500, message = "The reason is longer than 500 characters.")
            String reason,

            @NotNull(message = "Choose the day on which it comes up again.")
            LocalDate until) {}

    record NewOwner(
            @NotBlank(message = "Choose a colleague.") String login) {}

    private final Cases cases;
    private final Holds holds;
    private final CaseLists lists;
    private final Staff staff;

    CaseController(Cases cases, Holds holds, CaseLists lists, Staff staff) {
        this.cases = cases;
        this.holds = holds;
        this.lists = lists;
        this.staff = staff;
    }

    /** Open cases unless asked otherwise; each part of the filter narrows the list. */
    @GetMapping
    CaseViews.Page list(
            @RequestParam(defaultValue = "open") String state,
            @RequestParam(defaultValue = "") String stage,
            @RequestParam(defaultValue = "") String owner,
            @RequestParam(defaultValue = "") String path,
            @RequestParam(defaultValue = "") String medium,
            @RequestParam(defaultValue = "false") boolean late,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "100") int size) {
        return lists.page(
                new CaseLists.Filter(state, stageOf(stage), owner, PathFilter.of(path), medium, late), page, size);
    }

    private static @Nullable Stage stageOf(String text) {
        return text.isEmpty()
                ? null
                : Stage.ofWord(text).orElseThrow(() -> Refusal.badInput("stage", "There is no stage '" + text + "'."));
    }

    /** Whose cases these are. */
    @GetMapping("/names")
    Map<String, String> names(@RequestParam List<String> numbers) {
        return lists.customers(numbers);
    }

    /** How many open cases each person has. */
    @GetMapping("/workload")
    Map<String, Long> workload() {
        return lists.openByOwner();
    }

    /** The names of groups of kinds that a wanted line may use. */
    @GetMapping("/kinds")
    List<String> kinds() {
        return Kinds.groups().stream().sorted().toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    CaseViews.Docket log(@Valid @RequestBody CaseForm form) {
        return cases.docket(cases.log(form, staff.current()));
    }

    @GetMapping("/{number}")
    CaseViews.Docket docket(@PathVariable String number) {
        return cases.docket(number);
    }

    @GetMapping("/{number}/corrected")
    List<CaseViews.Withdrawn> corrected(@PathVariable String number) {
        return cases.corrected(number);
    }

    /** What the customer said yes to after the intake, newest first. */
    @GetMapping("/{number}/consent")
    List<CaseViews.ConsentGiven> allowed(@PathVariable String number) {
        return cases.allowed(number);
    }

    /** Lets the lab look further, by a dated yes of the customer. */
    @PostMapping("/{number}/consent")
    CaseViews.Docket allow(@PathVariable String number, @Valid @RequestBody CaseForm.Yes yes) {
        cases.allow(number, yes, staff.current().name());
        return cases.docket(number);
    }

    @PutMapping("/{number}")
    CaseViews.Docket edit(@PathVariable String number, @Valid @RequestBody CaseForm form) {
        cases.edit(number, form, staff.current().name());
        return cases.docket(number);
    }

    @PostMapping("/{number}/hold")
    CaseViews.Docket hold(@PathVariable String number, @Valid @RequestBody NewHold hold) {
        holds.hold(number, hold.reason(), hold.until(), staff.current().name());
        return cases.docket(number);
    }

    /** Takes back that it was logged, as long as nothing came of it; its number stays on record. */
    @DeleteMapping("/{number}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable String number) {
        cases.takeBack(number, staff.current().name());
    }

    /** Takes a hold back as if it had never been. */
    @DeleteMapping("/{number}/hold")
    CaseViews.Docket takeHoldBack(@PathVariable String number) {
        holds.takeBack(number, staff.current().name());
        return cases.docket(number);
    }

    /** Puts a hold back as it was before the case was taken up, or before it was held longer. */
    @PutMapping("/{number}/hold")
    CaseViews.Docket putHoldBack(@PathVariable String number, @Valid @RequestBody NewHold hold) {
        holds.putBack(number, hold.reason(), hold.until(), staff.current().name());
        return cases.docket(number);
    }

    @PostMapping("/{number}/wake")
    CaseViews.Docket wake(@PathVariable String number) {
        holds.wake(number, staff.current().name());
        return cases.docket(number);
    }

    @PostMapping("/{number}/owner")
    CaseViews.Docket handOver(@PathVariable String number, @Valid @RequestBody NewOwner to) {
        Staff.Person colleague = staff.all().stream()
                .filter(p -> p.login().equals(to.login()))
                .findFirst()
                .orElse(null);
        if (colleague == null) {
            throw Refusal.badInput("login", "There is nobody with the sign-in name '" + to.login() + "'.");
        }
        cases.handOver(number, colleague, staff.current().name());
        return cases.docket(number);
    }
}
