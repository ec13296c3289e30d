package org.brantel.server.notes;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class NoteController {

    record NewNote(@NotNull String kind, @NotNull String words) {}

    private final Notes notes;
    private final Staff staff;

    NoteController(Notes notes, Staff staff) {
        this.notes = notes;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/notes")
    List<Notes.View> all(@PathVariable String number) {
        return notes.of(number);
    }

    @PostMapping("/api/cases/{number}/notes")
    @ResponseStatus(HttpStatus.CREATED)
    Notes.View write(@PathVariable String number, @Valid @RequestBody NewNote note) {
        return notes.write(number, note.kind(), note.words(), staff.current().name());
    }

    @PostMapping("/api/mentions/{id}/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void seen(@PathVariable long id) {
        notes.seen(id, staff.current().login());
    }

    @DeleteMapping("/api/mentions/{id}/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unseen(@PathVariable long id) {
        notes.unseen(id, staff.current().login());
    }
}
