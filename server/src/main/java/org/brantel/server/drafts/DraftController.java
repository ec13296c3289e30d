package org.brantel.server.drafts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/drafts")
class DraftController {

    /** @param version that was read last; absent for one that was never kept */
    record Written(
            @NotNull @Size(max = 200) String title,

            @NotNull
            @Size(
                    max = 400_000,
                    message = "The draft is too long to be kept by the server; it is kept in this browser alone.")
            String form,

            @Nullable String caseNumber,
            @Nullable Integer version) {}

    private final DraftRecords drafts;
    private final Staff staff;
    private final Happenings happenings;
    private final Clock clock;

    DraftController(DraftRecords drafts, Staff staff, Happenings happenings, Clock clock) {
        this.drafts = drafts;
        this.staff = staff;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** New intakes that are not logged yet, whoever began them; newest first, without their text. */
    @GetMapping
    List<Draft.View> all() {
        return drafts.findByCaseNumberIsNullOrderByUpdatedAtDesc().stream()
                .map(d -> d.view(false))
                .toList();
    }

    @GetMapping("/{key}")
    Draft.View one(@PathVariable String key) {
        return drafts.findById(key)
                .orElseThrow(() -> Refusal.missing("This draft was logged or dropped; look for the case on the Desk."))
                .view(true);
    }

    /** Keeps what is typed. The second of two people who write the same draft is told. */
    @Transactional
    @PutMapping("/{key}")
    Draft.View keep(@PathVariable String key, @Valid @RequestBody Written written) {
        if (!key.matches("[A-Za-z0-9-]{8,60}")) {
            throw Refusal.badInput("key", "This is not the key of a draft.");
        }
        Draft draft = drafts.findById(key).orElse(null);
        if (draft != null && (written.version() == null || written.version() != draft.version())) {
            throw Refusal.conflict(draft.ownerName()
                    + " has written in this draft meanwhile; yours is kept in this browser. Open "
                    + "theirs, or go on with yours.");
        }
        if (draft == null && written.version() != null) {
            throw Refusal.missing(
                    "This draft was logged or dropped meanwhile; what you typed is kept in this browser. Look "
                            + "for the case on the Desk, or go on as a new draft.");
        }
        Draft kept = draft == null ? new Draft(key, written.caseNumber()) : draft;
        kept.write(written.title(), written.form(), staff.current(), clock.instant());
        Draft.View view = drafts.saveAndFlush(kept).view(false);
        happenings.changed("-", Topic.DRAFT);
        return view;
    }

    @Transactional
    @DeleteMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable String key) {
        drafts.deleteById(key);
        happenings.changed("-", Topic.DRAFT);
    }
}
