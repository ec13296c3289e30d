package org.brantel.server.staff;

import java.text.Normalizer;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
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

    /** @param disabledAt since when they may not sign in; null for who may */
    public record Account(
            Person person, Instant createdAt, @Nullable Instant disabledAt) {}

    private static final int LONGEST_NAME = 100;

    /** Who stands on records as having done what nobody of the staff did. */
    private static final Set<String> TAKEN = Set.of("brantel", "the customer", "customer", "the lab");

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
        String own = checkedName(name);
        GoodPassword.check(password, plain, own);
        String kept = passwords.encode(password);
        members.oneAtATime();
        if (members.findByLogin(plain).isPresent()) {
            throw Refusal.conflict("There is a person with the sign-in name '" + plain + "' already; choose another.");
        }
        if (members.findAll().stream().anyMatch(m -> asRead(m.person().name()).equals(asRead(own)))) {
            throw Refusal.conflict("There is a person called " + own
                    + " already, and records name people; add something that tells them apart.");
        }
        members.save(new StaffMember(plain, own, role, kept, clock.instant()));
        return new Person(plain, own, role);
    }

    private static String checkedName(@Nullable String name) {
        if (name == null || name.isBlank()) {
            throw Refusal.badInput("name", "The person's name is missing.");
        }
        String own = name.strip();
        if (own.length() > LONGEST_NAME) {
            throw Refusal.badInput("name", "A name has at most " + LONGEST_NAME + " characters.");
        }
        if (TAKEN.contains(asRead(own))) {
            throw Refusal.badInput(
                    "name",
                    "Records name “" + own + "” where nobody of the staff did something; enter a person's name.");
        }
        return own;
    }

    /** What a reader takes for the same name. */
    private static String asRead(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKC)
                .replaceAll("[\\p{Z}\\p{C}]+", " ")
                .strip()
                .toLowerCase(Locale.ROOT);
    }

    /** Everybody, by name, with what a manager sees of them. */
    @Transactional(readOnly = true)
    public List<Account> accounts() {
        return members.findAll(Sort.by("name")).stream()
                .map(StaffMember::account)
                .toList();
    }

    /** Who may sign in by this name; empty for who does not exist or may not any more. */
    @Transactional(readOnly = true)
    public Optional<Person> active(String login) {
        return members.findByLogin(login).filter(StaffMember::mayWork).map(StaffMember::person);
    }

    /** @throws Refusal where it is nobody's */
    @Transactional(readOnly = true)
    public Person named(String login) {
        return member(login).person();
    }

    private StaffMember member(String login) {
        return members.findByLogin(login)
                .orElseThrow(() -> Refusal.missing("Nobody has the sign-in name '" + login + "'."));
    }

    /** Gives somebody another role; there is a manager always. */
    @Transactional
    public Person is(String login, Role role) {
        members.oneAtATime();
        StaffMember member = member(login);
        if (role != Role.MANAGER) {
            keepAManager(member);
        }
        member.is(role);
        return member.person();
    }

    /** Lets somebody sign in, or no more. What they did stays theirs. */
    @Transactional
    public Person mayWork(String login, boolean may) {
        members.oneAtATime();
        StaffMember member = member(login);
        if (!may) {
            keepAManager(member);
        }
        member.disable(may ? null : clock.instant());
        return member.person();
    }

    private void keepAManager(StaffMember member) {
        boolean another = members.findAll().stream()
                .anyMatch(m -> m != member && m.mayWork() && m.person().role() == Role.MANAGER);
        if (!another) {
            throw Refusal.conflict(member.person().name()
                    + " is the only manager who can sign in; make somebody else a manager first.");
        }
    }

    /** Whether this is the person's present password. */
    public boolean isPassword(String login, String password) {
        return check(login, password).isPresent();
    }

    /** @throws Refusal where it is no good one */
    @Transactional
    public void choosePassword(String login, String password) {
        StaffMember member = member(login);
        GoodPassword.check(password, login, member.person().name());
        member.changePassword(passwords.encode(password));
    }

    /**
     * The person whose sign-in this is; empty when either part is wrong, or when they may not sign in any more. Takes as
     * long for unknown names.
     */
    public Optional<Person> check(String login, String password) {
        Optional<StaffMember> member = members.findByLogin(login.strip().toLowerCase(Locale.ROOT));
        String hash = member.map(StaffMember::passwordHash).orElse(NOBODY);
        if (!passwords.matches(password, hash)) {
            return Optional.empty();
        }
        if (passwords.upgradeEncoding(hash)) {
            String better = passwords.encode(password);
            member.ifPresent(m -> {
                m.changePassword(better);
                members.save(m);
            });
        }
        return member.filter(StaffMember::mayWork).map(StaffMember::person);
    }

    /** A hash that no password has. */
    private static final String NOBODY =
            Stretched.KIND + "$2a$10$7EqJtq98hPqEX7fNZaFWoOeRzGqjP9Yf0bqbbxC1n2YFJpGxw7tYK";
}
