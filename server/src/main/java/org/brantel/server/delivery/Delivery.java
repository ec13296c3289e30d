package org.brantel.server.delivery;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Locale;
import org.brantel.core.manifest.Bag;
import org.hibernate.annotations.DynamicUpdate;

/** A sealed bag on its way to the customer. The link's token and the passcode are kept as hashes only. */
@Entity
@Table(name = "delivery")
@DynamicUpdate
class Delivery {

    enum State {
        SEALING,
        SEALED,
        FAILED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long runId;

    @Enumerated(EnumType.STRING)
    private State state;

    private String trouble;
    private String bag;
    private int files;
    private long bytes;
    private String manifestSha256;
    private String fingerprint;
    private Instant sealedAt;

    @Column(updatable = false)
    private String who;

    private String tokenHash;
    private String passcodeHash;
    private Instant expiresAt;
    private Instant linkSentAt;
    private Instant openedAt;
    private Instant downloadedAt;
    private String receiptName;
    private Instant receiptAt;
    private int receiptChecked;
    private int receiptEqual;
    private String account;

    protected Delivery() {}

    Delivery(Long caseId, Long runId, String who, Instant at) {
        this.caseId = caseId;
        this.runId = runId;
        this.who = who;
        this.sealedAt = at;
        this.state = State.SEALING;
        this.bag = "";
        this.manifestSha256 = "";
        this.fingerprint = "";
    }

    /** @param words what the account says of the wanted lines */
    void seal(Bag.Sealed sealed, String words, Instant at) {
        account = words;
        state = State.SEALED;
        bag = sealed.folder().toString();
        files = (int) sealed.files();
        bytes = sealed.bytes();
        manifestSha256 = sealed.manifestSha256();
        fingerprint = sealed.fingerprint();
        sealedAt = at;
    }

    void fail(String why) {
        state = State.FAILED;
        trouble = why;
    }

    void link(String newTokenHash, String newPasscodeHash, Instant expires, Instant at) {
        tokenHash = newTokenHash;
        passcodeHash = newPasscodeHash;
        expiresAt = expires;
        linkSentAt = at;
    }

    /** @return whether it is the first time */
    boolean open(Instant at) {
        boolean first = openedAt == null;
        openedAt = first ? at : openedAt;
        return first;
    }

    void downloaded(Instant at) {
        downloadedAt = at;
    }

    void receive(String name, int checked, int equal, Instant at) {
        receiptName = name;
        receiptChecked = checked;
        receiptEqual = equal;
        receiptAt = at;
    }

    Long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    Long runId() {
        return runId;
    }

    State state() {
        return state;
    }

    /**
     * What the sealed account says of the wanted lines; null before it is sealed, and for deliveries of before that was
     * kept.
     */
    String account() {
        return account;
    }

    Path bag() {
        return Path.of(bag);
    }

    String passcodeHash() {
        return passcodeHash;
    }

    Instant expiresAt() {
        return expiresAt;
    }

    DeliveryViews.Delivery view(String caseNumber) {
        return new DeliveryViews.Delivery(
                id,
                caseNumber,
                runId,
                state.name().toLowerCase(Locale.ROOT),
                trouble,
                files,
                bytes,
                manifestSha256,
                fingerprint,
                sealedAt,
                who,
                linkSentAt,
                expiresAt,
                openedAt,
                downloadedAt,
                receiptAt == null
                        ? null
                        : new DeliveryViews.Receipt(receiptName, receiptAt, receiptChecked, receiptEqual));
    }
}
