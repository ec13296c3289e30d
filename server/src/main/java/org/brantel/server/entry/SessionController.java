package org.brantel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {

    /** @param code of the moment or a spare one, where it is asked for */
    record SignIn(
            @NotBlank(message = "The sign-in name is missing.")
            @Size(max = 100, message = "No sign-in name is that long.")
            String login,

            @NotBlank(message = "The password is missing.") String password,

            @Size(max = 100, message = "No code is that long.") @Nullable
            String code) {}

    /** @param answer of the browser, in JSON */
    record PasskeyAnswer(
            @NotBlank(message = "The browser's answer is missing.")
            String answer) {}

    /**
     * @param person  absent when nobody is signed in
     * @param lacking whether the person must get a second factor before anything else
     * @param host    by which passkeys hold; the lab called otherwise has none
     */
    record Session(Staff.@Nullable Person person, boolean lacking, String lab, String zone, String host) {}

    record NewPassword(
            @NotBlank(message = "The link is incomplete; open it as it was given.")
            String token,

            @NotBlank(message = "The new password is missing.")
            String password) {}

    private final SignIns signIns;
    private final Sessions sessions;
    private final Factors factors;
    private final Passkeys passkeys;
    private final People people;
    private final Settings settings;
    private final EntrySettings entry;

    SessionController(
            SignIns signIns,
            Sessions sessions,
            Factors factors,
            Passkeys passkeys,
            People people,
            Settings settings,
            EntrySettings entry) {
        this.signIns = signIns;
        this.sessions = sessions;
        this.factors = factors;
        this.passkeys = passkeys;
        this.people = people;
        this.settings = settings;
        this.entry = entry;
    }

    @GetMapping
    Session current(HttpServletRequest request) {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return session(
                signedIn != null && signedIn.getPrincipal() instanceof Staff.Person person ? person : null, request);
    }

    @PostMapping
    Session signIn(@Valid @RequestBody SignIn form, HttpServletRequest request) {
        return letIn(signIns.byPassword(form.login(), form.password(), form.code(), Place.of(request)), request);
    }

    @PostMapping("/passkey/question")
    OwnController.Question askForPasskey(HttpServletRequest request) {
        return new OwnController.Question(passkeys.askToOpen(request.getSession()));
    }

    @PostMapping("/passkey")
    Session signInByPasskey(@Valid @RequestBody PasskeyAnswer form, HttpServletRequest request) {
        Passkeys.Asked asked = passkeys.asked(request.getSession(false));
        return letIn(signIns.byPasskey(asked, form.answer(), Place.of(request)), request);
    }

    @PostMapping("/new-password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choosePassword(@Valid @RequestBody NewPassword form) {
        people.reset(form.token(), form.password());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        sessions.end(request);
        SecurityContextHolder.clearContext();
    }

    private Session letIn(SignIns.Admitted in, HttpServletRequest request) {
        sessions.begin(request, in);
        return session(in.person(), request);
    }

    private Session session(Staff.@Nullable Person person, HttpServletRequest request) {
        return new Session(
                person,
                person != null && factors.of(person, Sessions.hasShownTwo(request.getSession())) == Factors.Lack.TO_GET,
                settings.lab(),
                settings.zone().getId(),
                entry.host());
    }
}
