package org.brantel.server.staff;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Locale;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
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

    record SignIn(
            @NotBlank(message = "The sign-in name is missing.")
            @Size(max = 100, message = "No sign-in name is that long.")
            String login,

            @NotBlank(message = "The password is missing.") String password) {}

    /** @param person absent when nobody is signed in */
    record Session(Staff.@Nullable Person person, String lab, String zone) {}

    private final Staff staff;
    private final Throttle throttle;
    private final SecurityContextRepository contexts;
    private final Settings settings;

    SessionController(Staff staff, Throttle throttle, SecurityContextRepository contexts, Settings settings) {
        this.staff = staff;
        this.throttle = throttle;
        this.contexts = contexts;
        this.settings = settings;
    }

    @GetMapping
    Session current() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return session(signedIn != null && signedIn.getPrincipal() instanceof Staff.Person person ? person : null);
    }

    @PostMapping
    Session signIn(@Valid @RequestBody SignIn form, HttpServletRequest request, HttpServletResponse response) {
        Throttle.Subject subject =
                new Throttle.Subject("sign-in", form.login().strip().toLowerCase(Locale.ROOT), request.getRemoteAddr());
        Staff.Person person = throttle.judged(subject, () -> staff.check(form.login(), form.password()))
                .orElseThrow(() -> Refusal.notSignedIn("The sign-in name or the password is wrong; try again."));
        request.getSession();
        request.changeSessionId();
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(new UsernamePasswordAuthenticationToken(
                person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return session(person);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    private Session session(Staff.@Nullable Person person) {
        return new Session(person, settings.lab(), settings.zone().getId());
    }
}
