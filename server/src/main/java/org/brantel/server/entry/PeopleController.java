package org.brantel.server.entry;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.brantel.server.staff.ManagersOnly;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The lab's people: seen by all, their accounts a manager's. */
@RestController
@RequestMapping("/api/staff")
class PeopleController {

    record NewPerson(
            @NotBlank(message = "The sign-in name is missing.")
            String login,

            @NotBlank(message = "The person's name is missing.")
            String name,

            @NotNull(message = "Choose a role.") Role role,

            @NotBlank(message = "The first password is missing.")
            String password) {}

    record NewRole(@NotNull(message = "Choose a role.") Role role) {}

    /** @param open whether they may sign in */
    record AccountState(boolean open) {}

    private final Staff staff;
    private final People people;

    PeopleController(Staff staff, People people) {
        this.staff = staff;
        this.people = people;
    }

    @GetMapping
    List<Staff.Person> all() {
        return staff.all();
    }

    @ManagersOnly
    @GetMapping("/accounts")
    List<People.Account> accounts() {
        return people.all();
    }

    @ManagersOnly
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Staff.Person add(@Valid @RequestBody NewPerson form) {
        return people.add(form.login(), form.name(), form.role(), form.password());
    }

    @ManagersOnly
    @PutMapping("/{login}/role")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeRole(@PathVariable String login, @Valid @RequestBody NewRole form) {
        people.is(login, form.role());
    }

    @ManagersOnly
    @PutMapping("/{login}/account")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void openOrClose(@PathVariable String login, @Valid @RequestBody AccountState form) {
        people.mayWork(login, form.open());
    }

    @ManagersOnly
    @DeleteMapping("/{login}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endSessions(@PathVariable String login) {
        people.endSessions(login);
    }

    @ManagersOnly
    @DeleteMapping("/{login}/factors")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forgetFactors(@PathVariable String login) {
        people.forgetFactors(login);
    }

    @ManagersOnly
    @PostMapping("/{login}/reset-link")
    @ResponseStatus(HttpStatus.CREATED)
    People.Link makeResetLink(@PathVariable String login) {
        return people.resetLink(login);
    }
}
