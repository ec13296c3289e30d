package org.brantel.server.entry;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The one-time link by which a new lab's first manager sets up their account. */
@RestController
@RequestMapping("/api/setup")
class SetUp {

    record FirstManager(
            @NotBlank(message = "The set-up link is incomplete; open it as printed.")
            String token,

            String login,
            String name,
            String password) {}

    private static final Logger LOG = LoggerFactory.getLogger(SetUp.class);

    private final Staff staff;
    private final People people;
    private final Path tokenFile;

    SetUp(Staff staff, People people, Settings settings) {
        this.staff = staff;
        this.people = people;
        this.tokenFile = settings.home().resolve("set-up-token");
    }

    /** Kept in a file that only the owner reads; the start command prints the link. */
    @EventListener(ApplicationReadyEvent.class)
    void prepare() throws IOException {
        if (!staff.isEmpty() || Files.exists(tokenFile)) {
            return;
        }
        byte[] token = new byte[24];
        new SecureRandom().nextBytes(token);
        Files.createDirectories(tokenFile.toAbsolutePath().getParent());
        Files.createFile(tokenFile, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(tokenFile, HexFormat.of().formatHex(token));
        LOG.info("No one can sign in yet; the set-up link is in {}", tokenFile);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Staff.Person setUp(@Valid @RequestBody FirstManager form) throws IOException {
        if (!staff.isEmpty() || !Files.exists(tokenFile)) {
            throw Refusal.gone("This lab is set up already; sign in, or ask the manager for an account.");
        }
        if (!MessageDigest.isEqual(
                Files.readString(tokenFile).strip().getBytes(StandardCharsets.UTF_8),
                form.token().strip().getBytes(StandardCharsets.UTF_8))) {
            throw Refusal.notAllowed("This is not the set-up link that was printed at the first start; open that one.");
        }
        Staff.Person manager = people.addFirst(form.login(), form.name(), form.password());
        Files.delete(tokenFile);
        return manager;
    }
}
