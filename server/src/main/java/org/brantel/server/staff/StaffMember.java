package org.brantel.server.staff;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "staff")
class StaffMember {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private String login;
    private String name;

    @Enumerated(EnumType.STRING)
    private Role role;

    private @Nullable String passwordHash;
    private Instant createdAt;
    private @Nullable Instant disabledAt;

    protected StaffMember() {}

    StaffMember(String login, String name, Role role, @Nullable String passwordHash, Instant createdAt) {
        this.login = login;
        this.name = name;
        this.role = role;
        this.passwordHash = passwordHash;
        this.createdAt = createdAt;
    }

    Staff.Person person() {
        return new Staff.Person(login, name, role);
    }

    void changePassword(@Nullable String hash) {
        passwordHash = hash;
    }

    void is(Role newRole) {
        role = newRole;
    }

    /** @param since null for who may sign in */
    void disable(@Nullable Instant since) {
        disabledAt = since;
    }

    boolean mayWork() {
        return disabledAt == null;
    }

    Staff.Account account() {
        return new Staff.Account(person(), createdAt, disabledAt);
    }

    @Nullable
    String passwordHash() {
        return passwordHash;
    }
}
