package org.brantel.server.entry;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.brantel.server.audit.Audit;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Secret;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** What managers do with accounts; each is on the lab's own record, and acts on sessions that are open. */
@Service
class People {

    /**
     * An account as managers see it.
     *
     * @param disabledAt since when they may not sign in; absent for who may
     * @param codes      whether they are asked for codes of the moment
     * @param passkeys   how many they have
     */
    record Account(
            String login,
            String name,
            Role role,
            Instant createdAt,
            @Nullable Instant disabledAt,
            boolean codes,
            int passkeys) {}

    /**
     * A link to choose a new password by, seen this once.
     *
     * @param path within the lab's address
     */
    record Link(String path, Instant until) {}

    private static final Duration LINK_HOLDS = Duration.ofHours(24);

    private final Staff staff;
    private final Sessions sessions;
    private final Codes codes;
    private final Passkeys passkeys;
    private final ResetLinks links;
    private final Audit audit;
    private final Happenings happenings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    People(
            Staff staff,
            Sessions sessions,
            Codes codes,
            Passkeys passkeys,
            ResetLinks links,
            Audit audit,
            Happenings happenings,
            TransactionTemplate transaction,
            Clock clock) {
        this.staff = staff;
        this.sessions = sessions;
        this.codes = codes;
        this.passkeys = passkeys;
        this.links = links;
        this.audit = audit;
        this.happenings = happenings;
        this.transaction = transaction;
        this.clock = clock;
    }

    List<Account> all() {
        return staff.accounts().stream().map(this::account).toList();
    }

    private Account account(Staff.Account a) {
        String login = a.person().login();
        return new Account(
                login,
                a.person().name(),
                a.person().role(),
                a.createdAt(),
                a.disabledAt(),
                codes.isOn(login),
                passkeys.count(login));
    }

    @Transactional
    Staff.Person add(String login, String name, Role role, String password) {
        Staff.Person added = staff.add(login, name, role, password);
        note(added, "added to the staff", role(role));
        return added;
    }

    /** The manager who sets the lab up. */
    @Transactional
    Staff.Person addFirst(String login, String name, String password) {
        Staff.Person manager = staff.add(login, name, Role.MANAGER, password);
        audit.note(manager.name(), manager.login(), "lab set up", "the first manager");
        return manager;
    }

    /** Acts at once: who somebody is, is asked at each of their requests. */
    @Transactional
    void is(String login, Role role) {
        notOneself(login, "Your own role is another manager's to change.");
        Role before = staff.named(login).role();
        if (before != role) {
            Staff.Person person = staff.is(login, role);
            note(person, "role changed", "from " + role(before) + " to " + role(role));
        }
    }

    private static String role(Role role) {
        return role.name().toLowerCase(Locale.ROOT);
    }

    /** Closes an account, or opens it again. */
    void mayWork(String login, boolean may) {
        notOneself(login, "You cannot close your own account; another manager can.");
        transaction.executeWithoutResult(t -> {
            Staff.Person person = staff.mayWork(login, may);
            links.end(login, clock.instant());
            note(person, may ? "account opened again" : "account closed", "");
        });
        if (!may) {
            sessions.endAll(login, null);
        }
    }

    private void notOneself(String login, String otherwise) {
        if (staff.current().login().equals(login)) {
            throw Refusal.conflict(otherwise);
        }
    }

    void endSessions(String login) {
        transaction.executeWithoutResult(t -> note(staff.named(login), "sessions ended", ""));
        sessions.endAll(login, null);
    }

    /** For who lost what they sign in with besides the password. */
    void forgetFactors(String login) {
        notOneself(login, "What you sign in with is yours to change under Your sign-in, by your present password.");
        transaction.executeWithoutResult(t -> {
            codes.end(login);
            passkeys.forget(login);
            note(staff.named(login), "second factors taken away", "");
        });
        sessions.endAll(login, null);
    }

    @Transactional
    Link resetLink(String login) {
        notOneself(login, "Your own password is changed under Your sign-in, by your present one.");
        Instant now = clock.instant();
        Instant until = now.plus(LINK_HOLDS);
        Staff.Person person = staff.named(login);
        if (staff.active(login).isEmpty()) {
            throw Refusal.conflict("The account of " + person.name() + " is closed; open it first.");
        }
        links.end(login, now);
        String token = Secret.make();
        links.save(new ResetLink(Secret.hash(token), login, staff.current().name(), now, until));
        note(person, "link for a new password made", "");
        return new Link("/new-password#" + token, until);
    }

    private void note(Staff.Person about, String what, String detail) {
        happenings.changed("", Topic.STAFF);
        audit.note(
                staff.current().name(),
                about.login(),
                what,
                detail.isEmpty() ? about.name() : about.name() + ": " + detail);
    }

    /** Chooses the password that a link is for. All of the person's sessions end. */
    void reset(String token, String password) {
        String login = transaction.execute(t -> {
            String hash = Secret.hash(token.strip());
            String of = links.use(hash, clock.instant()) == 1
                    ? links.findById(hash).orElseThrow().login()
                    : gone();
            staff.choosePassword(of, password);
            audit.note(staff.named(of).name(), of, "new password by a link", "");
            return of;
        });
        sessions.endAll(login, null);
    }

    private static String gone() {
        throw Refusal.gone("This link was used, or its time is over; ask a manager for another.");
    }
}
