package org.brantel.server.delivery;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Objects;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Secret;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The customer's way to their delivery: a link, its passcode, what they fetch. */
@Service
public class CustomerDoor {

    /** Who did what the customer did. */
    public static final String CUSTOMER = "the customer";

    private static final DateTimeFormatter UNTIL = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ROOT);

    private final DeliveryRecords deliveries;
    private final Cases cases;
    private final Happenings happenings;
    private final TornRecord torn;
    private final Passcodes passcodes;
    private final TransactionTemplate transaction;
    private final Settings settings;
    private final Clock clock;

    CustomerDoor(
            DeliveryRecords deliveries,
            Cases cases,
            Happenings happenings,
            TornRecord torn,
            Passcodes passcodes,
            TransactionTemplate transaction,
            Settings settings,
            Clock clock) {
        this.deliveries = deliveries;
        this.cases = cases;
        this.happenings = happenings;
        this.torn = torn;
        this.passcodes = passcodes;
        this.transaction = transaction;
        this.settings = settings;
        this.clock = clock;
    }

    /** What the customer's page works on. */
    public record Opened(DeliveryViews.Delivery delivery, Path bag) {}

    /**
     * A new link; an older one stops working.
     *
     * @param manager whether a manager makes it: only they may, where the custody record is torn
     */
    @Transactional
    DeliveryViews.Link link(long id, String who, boolean manager) {
        Delivery delivery = find(id);
        if (delivery.state() != WorkState.DONE) {
            throw Refusal.conflict("This delivery is not sealed yet, so there is no link to it.");
        }
        String number = cases.number(delivery.caseId());
        boolean isTorn =
                !torn.allows(number, manager, "make a link to its delivery").isEmpty();
        String token = Secret.make();
        String passcode = Passcodes.make();
        Instant expires = clock.instant().plus(Duration.ofDays(settings.linkDays()));
        delivery.link(Secret.hash(token), passcodes.hash(passcode), expires, clock.instant());
        happenings.tell(
                number,
                who,
                isTorn ? "made a link for the customer although the record is torn" : "made a link for the customer",
                "delivery " + id + ", until " + UNTIL.format(expires.atZone(settings.zone())),
                Topic.DELIVERY);
        return new DeliveryViews.Link("/d/" + token, passcode, expires);
    }

    /** Nobody gets in by the link any longer, and what is being downloaded by it breaks off. The files are kept. */
    @Transactional
    DeliveryViews.Delivery withdraw(long id, String who) {
        Delivery delivery = find(id);
        String number = cases.number(delivery.caseId());
        DeliveryViews.Way way = delivery.view(number).way();
        if (way.linkSentAt() == null || way.withdrawnAt() != null) {
            throw Refusal.conflict("There is no link to delivery " + id + " that could be withdrawn.");
        }
        delivery.withdrawLink(clock.instant());
        happenings.tell(number, who, "withdrew the customer's link", "delivery " + id, Topic.DELIVERY);
        return delivery.view(number);
    }

    private Delivery find(long id) {
        return deliveries.findById(id).orElseThrow(() -> Refusal.missing("There is no delivery " + id + "."));
    }

    /**
     * Checks a link and its passcode.
     *
     * @param from the address that it comes from
     * @return the delivery's number
     */
    public long open(String token, String passcode, String from) {
        Delivery linked = alive(token);
        if (!passcodes.opens(Secret.hash(token), linked.passcodeHash(), passcode, from)) {
            throw Refusal.notAllowed(
                    "This is not the passcode of this link; look at the message from the lab, or call us.");
        }
        return Objects.requireNonNull(transaction.execute(t -> {
            Delivery delivery = deliveries.lock(linked.id()).orElseThrow();
            if (delivery.open(clock.instant())) {
                happenings.tell(
                        cases.number(delivery.caseId()), CUSTOMER, "opened the delivery", "delivery " + delivery.id());
            }
            return delivery.id();
        }));
    }

    /** The delivery of a link that was opened with its passcode before. */
    @Transactional(readOnly = true)
    public Opened opened(String token, long expectedId) {
        Delivery delivery = alive(token);
        if (delivery.id() != expectedId) {
            throw Refusal.notSignedIn("Enter the passcode of this link first.");
        }
        return new Opened(delivery.view(cases.number(delivery.caseId())), delivery.bag());
    }

    /** Whether a link still leads to what was opened by it. */
    @Transactional(readOnly = true)
    public boolean isOpen(String token, long id) {
        return deliveries
                .findByTokenHash(Secret.hash(token))
                .filter(d -> d.id() == id && !d.isLinkWithdrawn())
                .isPresent();
    }

    private Delivery alive(String token) {
        Delivery delivery = deliveries
                .findByTokenHash(Secret.hash(token))
                .orElseThrow(() -> Refusal.missing(
                        "This link leads nowhere; open it exactly as the lab sent it, or call us for a new one."));
        if (delivery.isLinkWithdrawn()) {
            throw Refusal.gone("The lab has withdrawn this link; call the lab for a new one. Your files are kept.");
        }
        if (clock.instant().isAfter(delivery.expiresAt())) {
            throw Refusal.gone("This link has expired; call the lab for a new one. Your files are kept.");
        }
        return delivery;
    }

    /** @param what is being downloaded; nothing of it has gone out yet */
    @Transactional
    public void downloadBegun(long id, String what) {
        happenings.tell(
                cases.number(deliveries.findById(id).orElseThrow().caseId()),
                CUSTOMER,
                "began to download " + what,
                "delivery " + id);
    }

    /** Every byte went out; whether it arrived, only the customer's own check can say. */
    @Transactional
    public void downloaded(long id, String what, long bytes) {
        Delivery delivery = deliveries.lock(id).orElseThrow();
        delivery.downloaded(clock.instant());
        String number = cases.number(delivery.caseId());
        happenings.tell(
                number,
                CUSTOMER,
                "downloaded " + what,
                "delivery " + id + ", " + bytes + " bytes sent",
                Topic.DELIVERY);
    }

    @Transactional
    public void downloadBroken(long id, String what, long bytes) {
        happenings.tell(
                cases.number(deliveries.findById(id).orElseThrow().caseId()),
                CUSTOMER,
                "broke off downloading " + what,
                "delivery " + id + ", after " + bytes + " bytes");
    }
}
