package org.brantel.server.labs;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.manifest.LabKey;
import org.brantel.core.source.SourceException;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.ForeignCases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Files that other labs sent: looked at, then brought in or put aside. */
@Service
class Arrivals {

    private static final Logger LOG = LoggerFactory.getLogger(Arrivals.class);
    private static final int MOST_SHOWN = 50;

    private final ArrivalRows arrivals;
    private final KnownLabs labs;
    private final CaseHomes homes;
    private final TravelMarkRows marks;
    private final Homecoming homecoming;
    private final List<GoesAlong> parts;
    private final ForeignCases foreign;
    private final ForeignRecords others;
    private final Cases cases;
    private final Happenings happenings;
    private final TransactionTemplate transaction;
    private final Settings settings;
    private final Clock clock;

    Arrivals(
            ArrivalRows arrivals,
            KnownLabs labs,
            CaseHomes homes,
            TravelMarkRows marks,
            Homecoming homecoming,
            List<GoesAlong> parts,
            ForeignCases foreign,
            ForeignRecords others,
            Cases cases,
            Happenings happenings,
            TransactionTemplate transaction,
            Settings settings,
            Clock clock) {
        this.arrivals = arrivals;
        this.labs = labs;
        this.homes = homes;
        this.marks = marks;
        this.homecoming = homecoming;
        this.parts = parts;
        this.foreign = foreign;
        this.others = others;
        this.cases = cases;
        this.happenings = happenings;
        this.transaction = transaction;
        this.settings = settings;
        this.clock = clock;
    }

    private String own() throws IOException {
        return LabKey.at(settings.key()).fingerprint();
    }

    /** Newest first; what each said when it was looked at or decided. */
    List<LabsViews.Arrival> all() {
        return arrivals.findByOrderByIdDesc(Limit.of(MOST_SHOWN)).stream()
                .map(ArrivalRow::view)
                .toList();
    }

    /** One, with what it says as things stand now. */
    LabsViews.Arrival one(long id) throws IOException {
        ArrivalRow row = find(arrivals.findById(id), id);
        Path bag = Path.of(row.kept().sent().bag());
        return row.isOpen() && Files.isDirectory(bag)
                ? row.view(homecoming.says(CaseBag.glance(bag), own()))
                : row.view();
    }

    private static ArrivalRow find(Optional<ArrivalRow> row, long id) {
        return row.orElseThrow(() -> Refusal.missing("No file came that is called arrival " + id + "."));
    }

    /** Keeps a file and looks at it: it must be as its lab signed it. Nothing of it is brought in. */
    LabsViews.Arrival lookAt(String name, InputStream body, String who) throws IOException {
        Path folder = Files.createTempDirectory(
                Files.createDirectories(settings.caseFiles().toAbsolutePath()), "arrival-");
        boolean kept = false;
        try {
            Path file = folder.resolve("sent.zip");
            long bytes = keep(body, file, room(folder));
            CaseBag.Opened opened = CaseBag.open(file, folder.resolve("unpacked"), room(folder));
            ArrivalRow.Sent sent = new ArrivalRow.Sent(
                    safe(name),
                    PackingJob.sha256(file),
                    bytes,
                    folder.toString(),
                    opened.bag().toString());
            ArrivalRow row = arrivals.save(new ArrivalRow(sent, homecoming.says(opened, own()), who, clock.instant()));
            kept = true;
            return row.view();
        } catch (SourceException e) {
            throw Refusal.badInput("file", safe(name) + ": " + Refusal.sentence(e));
        } finally {
            if (!kept) {
                CaseBag.delete(folder);
            }
        }
    }

    private static String safe(String name) {
        String plain = name.replaceAll("[^\\p{L}\\p{N} ._-]", "_");
        return plain.substring(0, Math.min(200, plain.length()));
    }

    /** Half of what is free: the lab's own work goes on. */
    private static long room(Path folder) throws IOException {
        return Files.getFileStore(folder).getUsableSpace() / 2;
    }

    private static long keep(InputStream body, Path file, long room) throws IOException {
        long bytes = 0;
        byte[] buffer = new byte[256 << 10];
        try (OutputStream out = Files.newOutputStream(file)) {
            for (int n = body.read(buffer); n >= 0; n = body.read(buffer)) {
                bytes += n;
                if (bytes > room) {
                    throw Refusal.tooLarge("The file is larger than there is room for; make room, then send it again.");
                }
                out.write(buffer, 0, n);
            }
        }
        return bytes;
    }

    /**
     * Brings a case in: all of it, or nothing.
     *
     * @param compared how the key's fingerprint was compared with what the lab itself says; blank where it was before
     */
    LabsViews.Arrival bringIn(long id, String compared, Staff.Person person) throws IOException {
        String own = own();
        // Every byte is read again, before a connection is taken for it.
        ArrivalRow.Kept kept = find(arrivals.findById(id), id).kept();
        Path bag = Path.of(kept.sent().bag());
        CaseBag.Opened opened = Files.isDirectory(bag) ? readAgain(bag) : null;
        LabsViews.Arrival done = transaction.execute(t -> {
            ArrivalRow row = toDecide(id);
            if (opened == null) {
                throw Refusal.gone("What was unpacked of the file is no longer there; send it in again.");
            }
            try {
                take(row, opened, own, compared, person);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return row.view();
        });
        unpackedIsOver(id);
        return done;
    }

    private static CaseBag.Opened readAgain(Path bag) throws IOException {
        try {
            return CaseBag.read(bag);
        } catch (SourceException e) {
            throw Refusal.badInput(null, Refusal.sentence(e));
        }
    }

    private ArrivalRow toDecide(long id) {
        ArrivalRow row = find(arrivals.toDecide(id), id);
        if (!row.isOpen()) {
            LabsViews.Arrival v = row.view();
            throw Refusal.conflict(v.name() + " was "
                    + (v.caseNumber() == null ? "put aside" : "brought in as " + v.caseNumber()) + " by "
                    + v.decidedBy() + " already.");
        }
        return row;
    }

    private void take(ArrivalRow row, CaseBag.Opened opened, String own, String compared, Staff.Person person)
            throws IOException {
        CaseFile file = opened.file();
        Instant now = clock.instant();
        LabsViews.Says says = homecoming.says(opened, own);
        homecoming.sameRecords(opened, own);
        String how = known(says, compared, person.name(), now);
        String before = says.here();
        String number = before == null ? foreign.log(file, person) : before;
        long caseId = cases.id(number);
        GoesAlong.Coming coming = new GoesAlong.Coming(
                number, caseId, before == null, file, opened.data(), new CaseMarks(marks, caseId, own), person.name());
        for (GoesAlong part : parts) {
            part.takeIn(coming);
        }
        keepRecords(caseId, opened, own, now);
        row.broughtInto(number, says, person.name(), now);
        happenings.tell(
                number,
                person.name(),
                "brought the case in from another lab",
                says.lab() + ", " + says.number() + ", packed " + says.packed() + " by " + says.by() + "; "
                        + says.brings().stream()
                                .filter(b -> b.fresh() > 0)
                                .map(b -> b.fresh() + " " + b.what().word())
                                .collect(Collectors.joining(", "))
                        + "; file SHA-256 " + row.kept().sent().sha256() + ", signed with " + says.fingerprint() + ", "
                        + how
                        + says.custody().stream()
                                .flatMap(c -> c.trouble().stream().map(w -> "; record of " + c.lab() + ": " + w))
                                .collect(Collectors.joining()),
                Topic.CASE,
                Topic.LABS);
    }

    /** @return how the key is known */
    private String known(LabsViews.Says says, String compared, String who, Instant now) {
        LabsViews.Known known = says.known();
        if (known != null) {
            return "known since " + known.at() + " (" + known.compared() + ")";
        }
        String how = compared.strip();
        if (how.isEmpty()) {
            throw Refusal.badInput(
                    "compared",
                    "Nobody has compared the key of " + says.lab() + " yet: call them on a number that you know, let "
                            + "them read its fingerprint to you, and write down who did.");
        }
        labs.save(new KnownLab(says.fingerprint(), says.lab(), how, who, now));
        return "compared: " + how;
    }

    /** What other labs wrote down; our own record is our own. */
    private void keepRecords(long caseId, CaseBag.Opened opened, String own, Instant now) {
        List<CaseFile.Ledger> ledgers = opened.file().custody();
        for (int i = 0; i < ledgers.size(); i++) {
            CaseFile.Ledger ledger = ledgers.get(i);
            CaseFile.Home home = ledger.home();
            if (home.fingerprint().equals(own)) {
                continue;
            }
            CaseHome row = homes.findById(new CaseHome.Key(home.fingerprint(), home.number()))
                    .orElseGet(() -> homes.save(new CaseHome(caseId, home, now)));
            if (ledger.entries() >= row.lastNumber()) {
                others.goOn(
                        caseId,
                        home.fingerprint(),
                        home.number(),
                        opened.custody().get(i).entries());
                row.recordEndsAt(ledger.entries(), ledger.lastHash(), now);
            }
        }
    }

    LabsViews.Arrival putAside(long id, String who) {
        LabsViews.Arrival done = transaction.execute(t -> {
            ArrivalRow row = toDecide(id);
            row.putAside(who, clock.instant());
            return row.view();
        });
        unpackedIsOver(id);
        return done;
    }

    /** The file that was sent stays; what was unpacked of it is not needed any more. */
    private void unpackedIsOver(long id) {
        ArrivalRow.Sent sent = arrivals.findById(id).orElseThrow().kept().sent();
        try {
            CaseBag.delete(Path.of(sent.folder()).resolve("unpacked"));
        } catch (IOException e) {
            LOG.warn("what arrival {} was unpacked to could not be taken away; it is not needed", id, e);
        }
    }
}
