package org.brantel.server.staff;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The lab's people: seen by all, added by a manager. */
@RestController
class StaffController {

    record NewPerson(
            @NotBlank(message = "The sign-in name is missing.")
            String login,

            @NotBlank(message = "The person's name is missing.")
            String name,

            @NotNull(message = "Choose a role.") Role role,

            @NotBlank(message = "The first password is missing.")
            String password) {}

    record NewPassword(
            @NotBlank(message = "Your present password is missing.")
            String old,

            @NotBlank(message = "The new password is missing.")
            String password) {}

    private final Staff staff;

    StaffController(Staff staff) {
        this.staff = staff;
    }

    @GetMapping("/api/staff")
    List<Staff.Person> all() {
        return staff.all();
    }

    @ManagersOnly
    @PostMapping("/api/staff")
    @ResponseStatus(HttpStatus.CREATED)
    Staff.Person add(@Valid @RequestBody NewPerson form) {
        return staff.add(form.login(), form.name(), form.role(), form.password());
    }

    @PutMapping("/api/staff/me/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody NewPassword form) {
        staff.changePassword(form.old(), form.password());
    }
}
