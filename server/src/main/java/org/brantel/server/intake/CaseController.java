package org.brantel.server.intake;

import jakarta.validation.Valid;
import java.util.List;
import org.brantel.core.carve.Kinds;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
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

    private final Cases cases;
    private final Staff staff;

    CaseController(Cases cases, Staff staff) {
        this.cases = cases;
        this.staff = staff;
    }

    /** Open cases, or with {@code closed} all of them. */
    @GetMapping
    List<CaseViews.Summary> list(@RequestParam(defaultValue = "false") boolean closed) {
        return closed ? cases.all() : cases.open();
    }

    /** The names of groups of kinds that a wanted line may use. */
    @GetMapping("/kinds")
    List<String> kinds() {
        return Kinds.groups().stream().sorted().toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    CaseViews.Docket log(@Valid @RequestBody CaseForm form) {
        return cases.docket(cases.log(form, staff.current().name()));
    }

    @GetMapping("/{number}")
    CaseViews.Docket docket(@PathVariable String number) {
        return cases.docket(number);
    }

    @PutMapping("/{number}")
    CaseViews.Docket edit(@PathVariable String number, @Valid @RequestBody CaseForm form) {
        cases.edit(number, form, staff.current().name());
        return cases.docket(number);
    }
}
