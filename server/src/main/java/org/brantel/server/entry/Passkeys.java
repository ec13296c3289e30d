package org.brantel.server.entry;

import com.webauthn4j.util.exception.WebAuthnException;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.server.platform.LetIn;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.JdbcPublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.JdbcUserCredentialRepository;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Passkeys (WebAuthn level 2): what signs with a key that never leaves it, once it has made sure itself whose hand it is
 * in. Questions and answers are JSON as browsers take and give it.
 */
@Service
class Passkeys {

    /**
     * A passkey as its owner sees it.
     *
     * @param id of the credential, in Base64 for addresses
     */
    record Passkey(String id, String label, Instant created, Instant lastUsed) {}

    /** What a session was asked, to sign in by. */
    record Asked(PublicKeyCredentialRequestOptions question) {}

    private static final Logger LOG = LoggerFactory.getLogger(Passkeys.class);

    private static final String TO_MAKE = "passkey.make";
    private static final String TO_OPEN = "passkey.open";
    private static final int LONGEST_LABEL = 80;

    /** Somebody who is asked for a passkey has this long, and so has the session that the question is kept in. */
    private static final Duration PATIENCE = Duration.ofMinutes(5);

    private final JsonMapper mapper =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();
    private final PublicKeyCredentialUserEntityRepository owners;
    private final UserCredentialRepository kept;
    private final EntrySettings entry;
    private final Settings settings;

    private volatile @Nullable Webauthn4JRelyingPartyOperations operations;

    Passkeys(JdbcOperations jdbc, EntrySettings entry, Settings settings) {
        this.owners = new JdbcPublicKeyCredentialUserEntityRepository(jdbc);
        this.kept = new JdbcUserCredentialRepository(jdbc);
        this.entry = entry;
        this.settings = settings;
    }

    /** Pages come from the server itself where no other origin is set, and its port is known only now. */
    @EventListener
    void begin(WebServerInitializedEvent started) {
        Set<String> origins = entry.origins().isEmpty()
                ? Set.of("http://" + entry.host() + ":" + started.getWebServer().getPort())
                : entry.origins();
        Webauthn4JRelyingPartyOperations made = new Webauthn4JRelyingPartyOperations(
                owners,
                kept,
                PublicKeyCredentialRpEntity.builder()
                        .id(entry.host())
                        .name(settings.lab())
                        .build(),
                origins);
        made.setCustomizeCreationOptions(o -> o.timeout(PATIENCE)
                .authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .build()));
        made.setCustomizeRequestOptions(
                o -> o.timeout(PATIENCE).userVerification(UserVerificationRequirement.REQUIRED));
        operations = made;
    }

    private Webauthn4JRelyingPartyOperations operations() {
        Webauthn4JRelyingPartyOperations made = operations;
        if (made == null) {
            throw Refusal.conflict("The server is starting; try again in a moment.");
        }
        return made;
    }

    /** The question to a browser that shall make a passkey. */
    @Transactional
    String askToMake(HttpSession session, Staff.Person person) {
        PublicKeyCredentialCreationOptions question = operations()
                .createPublicKeyCredentialCreationOptions(new ImmutablePublicKeyCredentialCreationOptionsRequest(
                        UsernamePasswordAuthenticationToken.authenticated(
                                person.login(), null, AuthorityUtils.NO_AUTHORITIES)));
        session.setAttribute(TO_MAKE, question);
        return mapper.writeValueAsString(question);
    }

    /**
     * Keeps what a browser made.
     *
     * @throws Refusal where it is no answer to what was asked
     */
    @Transactional
    void keep(HttpSession session, String label, String answer) {
        Object question = session.getAttribute(TO_MAKE);
        session.removeAttribute(TO_MAKE);
        if (!(question instanceof PublicKeyCredentialCreationOptions asked)) {
            throw Refusal.conflict("There is no passkey to be made; begin again.");
        }
        String name = label.strip();
        if (name.isEmpty() || name.length() > LONGEST_LABEL) {
            throw Refusal.badInput("label", "A passkey is called something, in at most 80 characters.");
        }
        try {
            PublicKeyCredential<AuthenticatorAttestationResponse> made =
                    mapper.readValue(answer, new TypeReference<>() {});
            operations()
                    .registerCredential(
                            new ImmutableRelyingPartyRegistrationRequest(asked, new RelyingPartyPublicKey(made, name)));
        } catch (WebAuthnException | IllegalArgumentException | JacksonException e) {
            LOG.info("A passkey was not kept: {}", e.getMessage());
            throw Refusal.badInput(null, "What the browser made is no passkey for this lab; begin again.");
        }
    }

    /** The question to a browser in which somebody wants to sign in; nobody is known yet. */
    String askToOpen(HttpSession session) {
        PublicKeyCredentialRequestOptions question = operations()
                .createCredentialRequestOptions(
                        new ImmutablePublicKeyCredentialRequestOptionsRequest(new AnonymousAuthenticationToken(
                                "passkey", "nobody", AuthorityUtils.createAuthorityList("NOBODY"))));
        session.setAttribute(TO_OPEN, question);
        if (!LetIn.isKnown(session)) {
            session.setMaxInactiveInterval((int) PATIENCE.toSeconds());
        }
        return mapper.writeValueAsString(question);
    }

    /** What a session was asked; it is asked only once. */
    Asked asked(@Nullable HttpSession session) {
        Object question = session == null ? null : session.getAttribute(TO_OPEN);
        if (session == null || !(question instanceof PublicKeyCredentialRequestOptions asked)) {
            throw Refusal.conflict("This took longer than five minutes; begin again.");
        }
        session.removeAttribute(TO_OPEN);
        return new Asked(asked);
    }

    /** @return whose passkey answered; empty where the answer is not right */
    @Transactional
    Optional<String> open(Asked asked, String answer) {
        try {
            PublicKeyCredential<AuthenticatorAssertionResponse> given =
                    mapper.readValue(answer, new TypeReference<>() {});
            PublicKeyCredentialUserEntity owner =
                    operations().authenticate(new RelyingPartyAuthenticationRequest(asked.question(), given));
            return Optional.of(owner.getName());
        } catch (WebAuthnException | IllegalArgumentException | JacksonException e) {
            LOG.info("A passkey did not open: {}", e.getMessage());
            return Optional.empty();
        }
    }

    @Transactional(readOnly = true)
    List<Passkey> of(String login) {
        return records(login).stream()
                .map(r -> new Passkey(
                        r.getCredentialId().toBase64UrlString(), r.getLabel(), r.getCreated(), r.getLastUsed()))
                .toList();
    }

    @Transactional(readOnly = true)
    int count(String login) {
        return records(login).size();
    }

    private List<CredentialRecord> records(String login) {
        PublicKeyCredentialUserEntity owner = owners.findByUsername(login);
        return owner == null ? List.of() : kept.findByUserId(owner.getId());
    }

    /** Takes one of somebody's away. */
    @Transactional
    void forget(String login, String id) {
        Bytes credential = records(login).stream()
                .map(CredentialRecord::getCredentialId)
                .filter(c -> c.toBase64UrlString().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.missing("You have no such passkey."));
        kept.delete(credential);
    }

    @Transactional
    void forget(String login) {
        records(login).forEach(r -> kept.delete(r.getCredentialId()));
    }
}
