package org.brantel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Paged;
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

/** How the person who is signed in signs in; open also to whom the lab lets do nothing else yet. */
@RestController
@RequestMapping("/api/staff/me")
class OwnController {

    record NewPassword(
            @NotBlank(message = "Your present password is missing.")
            String old,

            @NotBlank(message = "The new password is missing.")
            String password) {}

    record Present(
            @NotBlank(message = "Your present password is missing.")
            String old) {}

    record Code(@NotBlank(message = "The code is missing.") String code) {}

    record SpareCodesMade(List<String> spares) {}

    /** @param question for the browser, in JSON */
    record Question(String question) {}

    /** @param answer of the browser, in JSON */
    record NewPasskey(
            @NotBlank(message = "A passkey is called something, in at most 80 characters.")
            String label,

            @NotBlank(message = "The browser's answer is missing.")
            String answer) {}

    private final OwnAccount own;

    OwnController(OwnAccount own) {
        this.own = own;
    }

    @GetMapping
    OwnAccount.Own own() {
        return own.own();
    }

    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody NewPassword form, HttpServletRequest request) {
        own.changePassword(form.old(), form.password(), Place.of(request), here(request));
    }

    @PostMapping("/codes")
    Codes.Told beginCodes(@Valid @RequestBody Present form, HttpServletRequest request) {
        return own.beginCodes(form.old(), Place.of(request));
    }

    @PutMapping("/codes")
    SpareCodesMade confirmCodes(@Valid @RequestBody Code form, HttpServletRequest request) {
        return new SpareCodesMade(own.confirmCodes(request.getSession(), form.code()));
    }

    @PostMapping("/codes/spares")
    SpareCodesMade newSpares(@Valid @RequestBody Present form, HttpServletRequest request) {
        return new SpareCodesMade(own.newSpares(form.old(), Place.of(request)));
    }

    @PostMapping("/codes/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endCodes(@Valid @RequestBody Present form, HttpServletRequest request) {
        own.endCodes(form.old(), Place.of(request));
    }

    @PostMapping("/passkeys/question")
    Question askForPasskey(@Valid @RequestBody Present form, HttpServletRequest request) {
        return new Question(own.askForPasskey(form.old(), request.getSession(), Place.of(request)));
    }

    @PostMapping("/passkeys")
    @ResponseStatus(HttpStatus.CREATED)
    void keepPasskey(@Valid @RequestBody NewPasskey form, HttpServletRequest request) {
        own.keepPasskey(request.getSession(), form.label(), form.answer());
    }

    @PostMapping("/passkeys/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forgetPasskey(@PathVariable String id, @Valid @RequestBody Present form, HttpServletRequest request) {
        own.forgetPasskey(id, form.old(), Place.of(request));
    }

    @GetMapping("/sessions")
    List<Sessions.Open> sessions(HttpServletRequest request) {
        return own.sessions(here(request));
    }

    @DeleteMapping("/sessions/{mark}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endSession(@PathVariable String mark) {
        own.endSession(mark);
    }

    @DeleteMapping("/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(HttpServletRequest request) {
        own.endOthers(here(request));
    }

    @GetMapping("/record")
    Paged<CustodyEntry> record(@RequestParam(defaultValue = "0") @Min(0) int page) {
        return own.record(page);
    }

    private static String here(HttpServletRequest request) {
        return request.getSession().getId();
    }
}
