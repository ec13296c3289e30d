package org.brantel.server.delivery;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.hash.Hashes;
import org.brantel.core.manifest.Bag;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** What customers confirm: that they have it, and what their own browser computed of it. */
@Service
public class Receipts {

    /**
     * The customer confirmed receipt.
     *
     * @param by       as they gave their name
     * @param allEqual whether their browser hashed every delivered file, and each is as it was sealed
     */
    public record Received(String caseNumber, String by, boolean allEqual) {}

    /**
     * A file that the customer's browser hashed.
     *
     * @param number of its line in the account, 1 for the first
     * @param sha256 lower-case hex, as computed there
     */
    public record Seen(int number, String sha256) {}

    private final DeliveryRecords deliveries;
    private final Happenings happenings;
    private final ApplicationEventPublisher announcer;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Receipts(
            DeliveryRecords deliveries,
            Happenings happenings,
            ApplicationEventPublisher announcer,
            TransactionTemplate transaction,
            Clock clock) {
        this.deliveries = deliveries;
        this.happenings = happenings;
        this.announcer = announcer;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Puts a receipt on record. The hashes are kept beside the bag, as {@code sha256sum} writes them, and held against the
     * sealed account.
     */
    public void receive(CustomerDoor.Opened opened, String name, List<Seen> seen) throws IOException {
        Account account = Account.read(opened.bag().resolve(Bag.ACCOUNT));
        Compared compared = compare(account.files(), seen);
        Path kept = opened.bag().resolveSibling(opened.bag().getFileName() + "-receipt-sha256.txt");
        Path written = Files.createTempFile(kept.getParent(), "receipt-", "");
        try {
            Files.writeString(written, compared.list);
            transaction.executeWithoutResult(t -> receive(opened.delivery(), name, compared, written, kept));
        } finally {
            Files.deleteIfExists(written);
        }
    }

    private void receive(DeliveryViews.Delivery view, String name, Compared compared, Path written, Path kept) {
        Delivery delivery = deliveries.lock(view.id()).orElseThrow();
        DeliveryViews.Receipt before = delivery.view(view.caseNumber()).way().receipt();
        if (before != null) {
            throw Refusal.conflict("The receipt of this delivery was confirmed already, by " + before.name() + ".");
        }
        delivery.receive(name, compared.checked, compared.equal, clock.instant());
        happenings.tell(
                view.caseNumber(),
                CustomerDoor.CUSTOMER,
                "confirmed receipt",
                "delivery " + view.id() + ", by " + name + ", " + compared.words(),
                Topic.DELIVERY);
        announcer.publishEvent(new Received(view.caseNumber(), name, compared.isAllEqual()));
        try {
            Files.move(written, kept, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw Refusal.noRoom("What your browser computed could not be kept (" + e.getMessage()
                    + "); nothing was confirmed, try again later or call us.");
        }
    }

    /**
     * @param files that were delivered
     * @param list  of what was computed, a line each: hash, two spaces, path within the bag
     */
    private record Compared(int files, int checked, int equal, String list) {

        boolean isAllEqual() {
            return checked == files && equal == files;
        }

        String words() {
            if (checked == 0) {
                return "who did not check";
            }
            byte[] bytes = list.getBytes(StandardCharsets.UTF_8);
            return "whose browser hashed %d of %d files; %d of these hashes are the sealed ones; SHA-256 of its list %s"
                    .formatted(checked, files, equal, Hashes.sha256Hex(bytes, 0, bytes.length));
        }
    }

    private static Compared compare(List<Account.Line> files, List<Seen> seen) {
        Set<Integer> numbers = new HashSet<>();
        StringBuilder list = new StringBuilder();
        int equal = 0;
        for (Seen one : seen) {
            Account.Line line = one.number() < 1 || one.number() > files.size() ? null : files.get(one.number() - 1);
            if (line == null || line.path() == null || !numbers.add(one.number())) {
                throw Refusal.badInput(
                        "seen",
                        "What was checked is not what this delivery holds (file " + one.number()
                                + "); reload the page and check again.");
            }
            String hash = one.sha256().toLowerCase(Locale.ROOT);
            equal += hash.equals(line.sha256()) ? 1 : 0;
            list.append(hash).append("  ").append(line.path()).append('\n');
        }
        int delivered = (int) files.stream().filter(f -> f.path() != null).count();
        return new Compared(delivered, numbers.size(), equal, list.toString());
    }
}
