package org.brantel.server.catalogue;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/catalogue")
class CatalogueController {

    /**
     * @param findings that are theirs; absent for all chosen ones that fit or may fit
     * @param count how many were
     *                 counted; absent when nobody said
     */
    record Confirmation(
            @Nullable List<@NotNull Long> findings,

            @Nullable @Min(value = 1, message = "At least one file is confirmed.")
            Integer count) {}

    private final Catalogues catalogues;
    private final Comparing comparing;
    private final Walk walk;
    private final WantedStates states;
    private final Staff staff;

    CatalogueController(Catalogues catalogues, Comparing comparing, Walk walk, WantedStates states, Staff staff) {
        this.catalogues = catalogues;
        this.comparing = comparing;
        this.walk = walk;
        this.states = states;
        this.staff = staff;
    }

    @GetMapping
    CatalogueViews.Page page(
            @PathVariable String number,
            @ParameterObject @Valid CatalogueAddress asked,
            @RequestParam(required = false) String sort,
            @RequestParam(required = false) Long after) {
        return catalogues.page(number, asked.filter(), after, sort);
    }

    /** How many pass a filter, however many that are; a page counts no more than it can at once. */
    @GetMapping("/counts")
    CatalogueViews.Counts counts(@PathVariable String number, @ParameterObject @Valid CatalogueAddress asked) {
        return catalogues.counts(number, asked.filter());
    }

    /** A place of the catalogue, and what can be opened from there; without a folder the volumes of the case. */
    @GetMapping("/place")
    Walk.Place place(
            @PathVariable String number,
            @RequestParam(required = false) @Size(max = CatalogueFilter.SESSIONS, message = CatalogueFilter.FOLDERS)
                    List<Long> folder) {
        return walk.at(number, folder == null ? List.of() : folder);
    }

    /** What stood at the same place as a line, in every state that was found, the oldest first; the line among them. */
    @GetMapping("/{id}/versions")
    List<CatalogueViews.Line> versions(@PathVariable String number, @PathVariable long id) {
        return catalogues.versions(number, id);
    }

    /** What two scan sessions found, side by side. */
    @GetMapping("/comparison")
    Comparison compare(@PathVariable String number, @RequestParam long a, @RequestParam long b) {
        return comparing.compare(number, a, b);
    }

    /** How each wanted line stands: hoped for, found, chosen, delivered. */
    @GetMapping("/wanted")
    List<CatalogueViews.WantedState> wanted(@PathVariable String number) {
        return states.of(number);
    }

    /** Somebody of the lab says that these are them. */
    @PostMapping("/wanted/{line}/confirmation")
    List<CatalogueViews.WantedState> confirm(
            @PathVariable String number, @PathVariable long line, @Valid @RequestBody Confirmation confirmation) {
        return states.confirm(
                number,
                line,
                confirmation.findings(),
                confirmation.count(),
                staff.current().name());
    }

    @DeleteMapping("/wanted/{line}/confirmation")
    List<CatalogueViews.WantedState> unconfirm(@PathVariable String number, @PathVariable long line) {
        return states.unconfirm(number, line, staff.current().name());
    }
}
