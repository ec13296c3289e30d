package org.brantel.server.staff;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.brantel.server.platform.Refusal;
import org.springframework.data.domain.Sort;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The lab's people. */
@Service
public class Staff {

    /** Who is signed in. */
    public record Person(String login, String name, Role role) {}

    private static final int SHORTEST_PASSWORD = 10;

    private final StaffMembers members;
    private final PasswordEncoder passwords;
    private final Clock clock;

    Staff(StaffMembers members, PasswordEncoder passwords, Clock clock) {
        this.members = members;
        this.passwords = passwords;
        this.clock = clock;
    }

    /** The person who makes the current request. */
    public Person current() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        if (signedIn == null || !(signedIn.getPrincipal() instanceof Person person)) {
            throw Refusal.notSignedIn("You are not signed in; sign in and try again.");
        }
        return person;
    }

    /** Everybody, by name. */
    @Transactional(readOnly = true)
    public List<Person> all() {
        return members.findAll(Sort.by("name")).stream()
                .map(StaffMember::person)
                .toList();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return members.count() == 0;
    }

    @Transactional
    public Person add(String login, String name, Role role, String password) {
        String plain = login == null ? "" : login.strip().toLowerCase(Locale.ROOT);
        if (!plain.matches("[a-z0-9._-]{2,40}")) {
            throw Refusal.badInput("login", "A sign-in name has 2 to 40 letters, digits, dots or dashes.");
        }
        if (name == null || name.isBlank()) {
            throw Refusal.badInput("name", "The person's name is missing.");
        }
        checkLength(password);
        if (members.findByLogin(plain).isPresent()) {
            throw Refusal.conflict("There is a person with the sign-in name '" + plain + "' already; choose another.");
        }
        members.save(new StaffMember(plain, name.strip(), role, passwords.encode(password), clock.instant()));
        return new Person(plain, name.strip(), role);
    }

    private static void checkLength(String password) {
        if (password == null || password.length() < SHORTEST_PASSWORD) {
            throw Refusal.badInput("password", "A password needs at least " + SHORTEST_PASSWORD + " characters.");
        }
    }

    /** Lets the current person choose another password. */
    @Transactional
    public void changePassword(String old, String password) {
        StaffMember member = members.findByLogin(current().login()).orElseThrow();
        if (!passwords.matches(old, member.passwordHash())) {
            throw Refusal.badInput("old", "This is not your present password; try again.");
        }
        checkLength(password);
        member.changePassword(passwords.encode(password));
    }

    /** The person whose sign-in this is; empty when either part is wrong. Takes as long for unknown names. */
    Optional<Person> check(String login, String password) {
        Optional<StaffMember> member = members.findByLogin(login.strip().toLowerCase(Locale.ROOT));
        String hash = member.map(StaffMember::passwordHash).orElse(NOBODY);
        boolean right = passwords.matches(password, hash);
        return right ? member.map(StaffMember::person) : Optional.empty();
    }

    /** A hash that no password has. */
    private static final String NOBODY = "$2a$10$7EqJtq98hPqEX7fNZaFWoOeRzGqjP9Yf0bqbbxC1n2YFJpGxw7tYK";
}
