package org.brantel.server.labs;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.manifest.LabKey;
import org.brantel.core.source.SourceException;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.brantel.server.traffic.Incoming;
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
    private final Homecoming homecoming;
    private final BringingIn bringingIn;
    private final TransactionTemplate transaction;
    private final Settings settings;
    private final Clock clock;

    Arrivals(
            ArrivalRows arrivals,
            Homecoming homecoming,
            BringingIn bringingIn,
            TransactionTemplate transaction,
            Settings settings,
            Clock clock) {
        this.arrivals = arrivals;
        this.homecoming = homecoming;
        this.bringingIn = bringingIn;
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
            long bytes = Incoming.keep(body, file, Incoming.room(folder));
            CaseBag.Opened opened = CaseBag.open(file, folder.resolve("unpacked"), Incoming.room(folder));
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
                bringingIn.take(row, opened, own, compared, person);
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
