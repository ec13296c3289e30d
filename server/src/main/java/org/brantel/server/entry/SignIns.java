package org.brantel.server.entry;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import org.brantel.server.audit.Audit;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Lets people in, or not; either is on the lab's own record. */
@Service
class SignIns {

    /** @param two whether they showed more than a password */
    record Admitted(Staff.Person person, boolean two) {}

    /** Asked for by naming the field of the form. */
    private static final String CODE = "code";

    private static final String SOMEBODY = "somebody";

    private final Staff staff;
    private final Codes codes;
    private final Passkeys passkeys;
    private final Factors factors;
    private final Throttle throttle;
    private final Audit audit;
    private final TransactionTemplate transaction;

    SignIns(
            Staff staff,
            Codes codes,
            Passkeys passkeys,
            Factors factors,
            Throttle throttle,
            Audit audit,
            TransactionTemplate transaction) {
        this.staff = staff;
        this.codes = codes;
        this.passkeys = passkeys;
        this.factors = factors;
        this.throttle = throttle;
        this.audit = audit;
        this.transaction = transaction;
    }

    /**
     * @param code where the person is asked for one; null before they were asked
     * @throws Refusal naming the field {@code code} where the password is right and a code is wanted
     */
    Admitted byPassword(String typed, String password, @Nullable String code, Place from) {
        String login = plain(typed);
        Staff.Person person = judged("sign-in", login, from, () -> staff.check(login, password))
                .orElseThrow(() -> refused(
                        login, from, "wrong password", "The sign-in name or the password is wrong; try again."));
        if (codes.isOn(person.login())) {
            return letIn(new Admitted(person, true), withCode(person, code, from), from);
        }
        if (factors.of(person, false) == Factors.Lack.TO_SHOW) {
            refusedAs(person, "a password alone", from);
            throw Refusal.notSignedIn("The lab wants more than a password of managers; sign in with your passkey.");
        }
        return letIn(new Admitted(person, false), "a password", from);
    }

    private String withCode(Staff.Person person, @Nullable String code, Place from) {
        if (code == null || code.isBlank()) {
            throw Refusal.notSignedIn(CODE, "Enter the code that your device shows now, or a spare one.");
        }
        Codes.Kind kind = judged("code", person.login(), from, () -> codes.open(person.login(), code))
                .orElseThrow(() -> {
                    refusedAs(person, "wrong code", from);
                    return Refusal.notSignedIn(
                            CODE, "This is not the code of the moment, or it was used already; enter the next one.");
                });
        return kind == Codes.Kind.SPARE ? "a password and a spare code" : "a password and a code";
    }

    /** @param answer of the browser, to the question that its session was asked */
    Admitted byPasskey(Passkeys.Asked asked, String answer, Place from) {
        Optional<Staff.Person> person = judged("passkey", from.address(), from, () -> passkeys.open(asked, answer)
                .flatMap(staff::active));
        return person.map(p -> letIn(new Admitted(p, true), "a passkey", from))
                .orElseThrow(() -> Refusal.notSignedIn("This passkey opens nothing here; sign in with your password."));
    }

    /**
     * Whether somebody who is signed in is who they say, before they change how they sign in.
     *
     * @throws Refusal where the password is not theirs
     */
    void confirm(Staff.Person person, String password, Place from) {
        if (judged("sign-in", person.login(), from, () -> staff.check(person.login(), password))
                .isEmpty()) {
            refusedAs(person, "wrong present password, in a session that is open", from);
            throw Refusal.badInput("old", "This is not your present password; try again.");
        }
    }

    private <T> Optional<T> judged(String what, String secret, Place from, Supplier<Optional<T>> judge) {
        return throttle.judged(new Throttle.Subject(what, secret, from.address()), judge);
    }

    private Admitted letIn(Admitted in, String with, Place from) {
        Staff.Person person = in.person();
        note(person.name(), person.login(), "signed in", "with " + with + "; " + from.browser());
        return in;
    }

    /** Names that nobody has are not kept: somebody may have typed a password there. */
    private Refusal refused(String login, Place from, String why, String sentence) {
        Optional<Staff.Person> person = staff.active(login);
        person.ifPresentOrElse(
                p -> refusedAs(p, why, from),
                () -> note(SOMEBODY, null, "refused", "by a name that nobody here has; " + from.browser()));
        return Refusal.notSignedIn(sentence);
    }

    /** Whoever it was: that it was the person is not known. */
    private void refusedAs(Staff.Person person, String why, Place from) {
        note(SOMEBODY, person.login(), "refused", "as " + person.name() + ": " + why + "; " + from.browser());
    }

    private void note(String who, @Nullable String about, String what, String detail) {
        transaction.executeWithoutResult(t -> audit.note(who, about, what, detail));
    }

    private static String plain(String login) {
        return login.strip().toLowerCase(Locale.ROOT);
    }
}
