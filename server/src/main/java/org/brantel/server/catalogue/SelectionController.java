package org.brantel.server.catalogue;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.server.selection.SelectionViews;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What of a catalogue is chosen, how that was changed, and the selections that are kept under a name. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue/selection")
class SelectionController {

    /** So many lines are named one by one; a statement of the database takes no more than some ten thousand values. */
    private static final int MOST = 20_000;

    /** @param filter all lines that pass it, instead of single ones */
    record Choice(
            @NotNull
            @Size(max = MOST, message = "At most 20,000 lines are named at once; choose by the filter instead.")
            List<Long> ids,

            @Nullable @Valid CatalogueFilter filter,
            boolean selected) {}

    /** @param letGo whether it is not kept any more; it can be taken up again */
    record KeptName(
            @NotBlank(message = "A kept selection needs a name.")
            @Size(max = 80, message = "The name of a kept selection has at most 80 letters.")
            String name,

            boolean letGo) {}

    record Applied(
            @NotNull(message = "Say how it is applied.") Selecting.How how) {}

    private final Selecting selecting;
    private final Staff staff;

    SelectionController(Selecting selecting, Staff staff) {
        this.selecting = selecting;
        this.staff = staff;
    }

    @PutMapping
    Selecting.Changed select(@PathVariable String number, @Valid @RequestBody Choice change) {
        String who = staff.current().name();
        return change.filter() == null
                ? selecting.select(number, change.ids(), change.selected(), who)
                : selecting.select(number, change.filter(), change.selected(), who);
    }

    /** Takes a change of the selection back; what was changed anew since stays as it is. */
    @DeleteMapping("/{change}")
    CatalogueViews.SelectionSum unselect(@PathVariable String number, @PathVariable long change) {
        return selecting.takeBack(number, change, staff.current().name());
    }

    /** How what is chosen was changed, the newest first. */
    @GetMapping("/changes")
    List<SelectionViews.Change> changes(@PathVariable String number) {
        return selecting.changes(number);
    }

    @GetMapping("/kept")
    List<SelectionViews.Kept> kept(@PathVariable String number) {
        return selecting.kept(number);
    }

    /** Keeps what is chosen under a name. */
    @PostMapping("/kept")
    List<SelectionViews.Kept> keep(@PathVariable String number, @Valid @RequestBody KeptName kept) {
        return selecting.keep(number, kept.name().strip(), staff.current().name());
    }

    /** Gives a kept selection another name, lets it go, or takes it up again. */
    @PutMapping("/kept/{id}")
    List<SelectionViews.Kept> changeKept(
            @PathVariable String number, @PathVariable long id, @Valid @RequestBody KeptName kept) {
        return selecting.change(number, id, kept.name().strip(), kept.letGo());
    }

    /** Adds a kept selection to what is chosen, takes it away from it, or puts it in its place. */
    @PostMapping("/kept/{id}")
    Selecting.Changed apply(@PathVariable String number, @PathVariable long id, @Valid @RequestBody Applied applied) {
        return selecting.apply(number, id, applied.how(), staff.current().name());
    }
}
