package org.brantel.server.delivery;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.nio.file.Path;
import java.time.Instant;
import org.brantel.core.manifest.Bag;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** A sealed bag on its way to the customer. The link's token and the passcode are kept as hashes only. */
@Entity
@Table(name = "delivery")
@DynamicUpdate
class Delivery extends WorkRecord {

    @Column(updatable = false)
    private Long runId;

    private String bag;
    private int files;
    private long bytes;
    private String manifestSha256;
    private String fingerprint;
    private Instant sealedAt;

    private @Nullable String tokenHash;
    private @Nullable String passcodeHash;
    private @Nullable Instant expiresAt;
    private @Nullable Instant linkSentAt;
    private @Nullable Instant linkWithdrawnAt;
    private @Nullable Instant openedAt;
    private @Nullable Instant downloadedAt;
    private @Nullable String receiptName;
    private @Nullable Instant receiptAt;
    private int receiptChecked;
    private int receiptEqual;
    private boolean receiptCompared;
    private @Nullable String account;

    protected Delivery() {}

    Delivery(Long caseId, Long runId, String who, Instant at) {
        super(caseId, who, at);
        this.runId = runId;
        this.sealedAt = at;
        this.bag = "";
        this.manifestSha256 = "";
        this.fingerprint = "";
    }

    /** @param words what the account says of the wanted lines */
    void seal(Bag.Sealed sealed, String words, Instant at) {
        finish(at);
        account = words;
        bag = sealed.folder().toString();
        files = (int) sealed.files();
        bytes = sealed.bytes();
        manifestSha256 = sealed.manifestSha256();
        fingerprint = sealed.fingerprint();
        sealedAt = at;
    }

    void link(String newTokenHash, @Nullable String newPasscodeHash, Instant expires, Instant at) {
        tokenHash = newTokenHash;
        passcodeHash = newPasscodeHash;
        expiresAt = expires;
        linkSentAt = at;
        linkWithdrawnAt = null;
    }

    void withdrawLink(Instant at) {
        linkWithdrawnAt = at;
    }

    boolean isLinkWithdrawn() {
        return linkWithdrawnAt != null;
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
        receiptCompared = true;
        receiptAt = at;
    }

    Long runId() {
        return runId;
    }

    /**
     * What the sealed account says of the wanted lines; null before it is sealed, and for deliveries of before that was
     * kept.
     */
    @Nullable
    String account() {
        return account;
    }

    Path bag() {
        return Path.of(bag);
    }

    @Nullable
    String passcodeHash() {
        return passcodeHash;
    }

    @Nullable
    Instant expiresAt() {
        return expiresAt;
    }

    DeliveryViews.Delivery view(String caseNumber) {
        DeliveryViews.Receipt receipt = receiptName == null || receiptAt == null
                ? null
                : new DeliveryViews.Receipt(receiptName, receiptAt, receiptChecked, receiptEqual, receiptCompared);
        return new DeliveryViews.Delivery(
                id(),
                caseNumber,
                runId,
                DeliveryViews.State.of(state()),
                trouble(),
                who(),
                new DeliveryViews.Bag(files, bytes, manifestSha256, fingerprint, sealedAt),
                new DeliveryViews.Way(linkSentAt, expiresAt, linkWithdrawnAt, openedAt, downloadedAt, receipt));
    }
}
