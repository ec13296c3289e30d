package org.brantel.demo;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Random;
import javax.sql.DataSource;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.Stage;
import org.brantel.server.protocol.Said;
import org.brantel.server.staff.Staff;
import org.brantel.server.triage.TriageService;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Ten years of a lab, for trying it under load: cases of all stages with their customers, devices, facts, wanted lines
 * and custody records. The same number gives the same lab. Written past Hibernate, which would take an hour for it.
 */
@Component
class PastYears {

    private static final Logger LOG = LoggerFactory.getLogger(PastYears.class);
    private static final Staff.Person[] STAFF = DemoStaff.ALL.toArray(Staff.Person[]::new);
    private static final Stage[] OPEN = {
        Stage.RECEIVED,
        Stage.RECEIVED,
        Stage.RECEIVED,
        Stage.TRIAGED,
        Stage.TRIAGED,
        Stage.IMAGING,
        Stage.IMAGING,
        Stage.SELECTION,
        Stage.RECOVERY,
        Stage.HANDOVER,
        Stage.ON_HOLD
    };
    private static final Stage[] ROAD = {
        Stage.RECEIVED,
        Stage.TRIAGED,
        Stage.IMAGING,
        Stage.SCANNING,
        Stage.SELECTION,
        Stage.RECOVERY,
        Stage.HANDOVER,
        Stage.CLOSED
    };
    /** How the time of a case is divided among the stages before its end. */
    private static final double[] SHARES = {0.08, 0.17, 0.2, 0.1, 0.25, 0.08, 0.12};

    /** Cases that ended in this time kept with what, and what was delivered of it. */
    private static final Duration KEPT = Duration.ofDays(420);

    private static final DateTimeFormatter MONTH =
            DateTimeFormatter.ofPattern("yyMM", Locale.ROOT).withZone(ZoneOffset.UTC);
    private static final int MOST_OPEN = 420;
    /** Every so many cases one brings a box with its members. */
    private static final int CASES_OF_A_SET = 40;

    private static final int MEMBERS = 4;
    private static final int CASES_OF_A_CUSTOMER = 3;
    private static final int AT_ONCE = 5000;

    private final DataSource database;
    private final TriageService triage;
    private final Clock clock;

    PastYears(DataSource database, TriageService triage, Clock clock) {
        this.database = database;
        this.triage = triage;
        this.clock = clock;
    }

    /** Fills an empty lab. */
    void fill(int cases) {
        long began = System.nanoTime();
        try (Connection connection = database.getConnection()) {
            connection.setAutoCommit(false);
            new Filling(connection, cases).run();
            connection.commit();
            connection.setAutoCommit(true);
            try (Statement analyze = connection.createStatement()) {
                analyze.execute("analyze");
            }
        } catch (SQLException e) {
            throw new IllegalStateException("the past years could not be written: " + e.getMessage(), e);
        }
        LOG.info("{} cases of past years were written in {} s", cases, (System.nanoTime() - began) / 1_000_000_000);
    }

    private final class Filling {

        private final Connection connection;
        private final int cases;
        private final Random random = new Random(2011);
        private final Instant now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        private final List<CopyTable> tables = new ArrayList<>();
        private final CopyTable customers;
        private final CopyTable ways;
        private final CopyTable rows;
        private final CopyTable stages;
        private final CopyTable devices;
        private final CopyTable facts;
        private final CopyTable wanted;
        private final CopyTable find;
        private final CopyTable custody;
        private final CopyTable heads;
        private final CopyTable decisions;
        private final CopyTable attachments;
        private final CopyTable imaging;
        private final PastEndings endings;
        private long attachment;
        private long device;

        Filling(Connection connection, int cases) throws SQLException {
            this.connection = connection;
            this.cases = cases;
            customers = table("customer (id, kind, name, preferred, created_at, version)");
            ways = table("customer_way (customer_id, position, kind, value, plain)");
            rows = table("lab_case (id, number, customer_name, customer_id, contact_person, story, stage, "
                    + "stage_since, owner, owner_login, path, path_reason, protocol, hold_reason, hold_until, "
                    + "hold_from, created_at, version)");
            stages = table("case_stage (case_id, stage, at, who)");
            devices = table("device (id, case_id, position, type, make, model, serial, capacity, set_name, slot)");
            facts = table("fact (case_id, code, value, source, who, at)");
            wanted = table("wanted_line (case_id, words, kinds, pattern, hoped_for, min_bytes, must_have)");
            find = table("find_text (case_id, words)");
            custody = table("custody_entry (case_number, number, at, who, what, detail, previous, hash)");
            heads = table("custody_head (case_number, last_number, last_hash)");
            decisions = table("triage_decision (case_id, path, reason, protocol, ranking, stage_before, who, at)");
            attachments = table("attachment (id, case_id, device_id, medium, identity, matched, who, at)");
            imaging = table(
                    "imaging_session (case_id, device_id, attachment_id, state, profile, image, size, read_bytes, "
                            + "failed_bytes, deferred_bytes, failed_places, pass, head, rate, cells, rates, "
                            + "hashed_bytes, who, started_at, running_millis)");
            endings = new PastEndings(connection, random);
        }

        private CopyTable table(String into) throws SQLException {
            CopyTable table = new CopyTable(connection, into);
            tables.add(table);
            return table;
        }

        void run() throws SQLException {
            int people = Math.max(1, cases / CASES_OF_A_CUSTOMER);
            String[] names = new String[people];
            String[] contacts = new String[people];
            String[] phones = new String[people];
            for (int i = 0; i < people; i++) {
                names[i] = random.nextInt(4) == 0
                        ? pick(PastWords.FIRST) + " " + pick(PastWords.LAST)
                        : pick(PastWords.PLACE) + " " + pick(PastWords.BODY)
                                + (i < 400 ? "" : " " + pick(PastWords.LAST));
                contacts[i] = pick(PastWords.FIRST) + " " + pick(PastWords.LAST);
                phones[i] = "01%02d %02d %02d".formatted(40 + i / 10_000 % 60, i / 100 % 100, i % 100);
                customers.row(i + 1, "organisation", names[i], "phone", now.minus(Duration.ofDays(3650)), 0);
                ways.row(i + 1, 0, "phone", phones[i], phones[i].replace(" ", ""));
                ways.row(i + 1, 1, "email", "post" + i + "@skerrow.example", "post" + i + "@skerrow.example");
            }
            for (int i = 1; i <= cases; i++) {
                int who = random.nextInt(people);
                write(i, who + 1, names[who], contacts[who], phones[who]);
                if (i % AT_ONCE == 0) {
                    send();
                }
            }
            send();
            try (Statement set = connection.createStatement()) {
                for (String table : new String[] {"customer", "lab_case", "device", "attachment", "recovery_run"}) {
                    set.execute("select setval(pg_get_serial_sequence('" + table
                            + "', 'id'), greatest(1, (select max(id) from " + table + ")))");
                }
                set.execute("select setval('case_number_seq', " + cases + ")");
                set.execute("insert into find_word (word) select distinct w from find_text, "
                        + "regexp_split_to_table(words, '[^[:alnum:]]+') w where length(w) > 2");
            }
        }

        /** In the order of the tables, so that nothing points at what is not there yet. */
        private void send() throws SQLException {
            for (CopyTable table : tables) {
                table.send();
            }
            endings.send();
        }

        private <T> T pick(T[] of) {
            return of[random.nextInt(of.length)];
        }

        private void write(int id, int customer, String name, String contact, String phone) {
            int left = cases - id;
            int opened = Math.min(MOST_OPEN, cases);
            boolean open = left < opened;
            Instant created = open
                    ? now.minus(Duration.ofMinutes(30L * left + 20))
                    : now.minus(Duration.ofMinutes(5_256_000L * (left - opened) / cases + 30_000));
            String number = "BR-" + MONTH.format(created) + "-%04d".formatted(id % 10_000);
            String type = pick(PastWords.TYPE);
            String[] trouble = PastWords.TROUBLE[random.nextInt(PastWords.TROUBLE.length)];
            List<CaseForm.Fact> told = new ArrayList<>(List.of(
                    new CaseForm.Fact("medium.type", type, Said.TOLD),
                    new CaseForm.Fact("copy.backup", "none", Said.TOLD),
                    new CaseForm.Fact("worth", "important", Said.TOLD)));
            for (String fact : trouble) {
                told.add(new CaseForm.Fact(fact.split("=")[0], fact.split("=")[1], Said.TOLD));
            }
            Stage stage = open ? pick(OPEN) : random.nextInt(14) == 0 ? Stage.DECLINED : Stage.CLOSED;
            Ranking ranking = open && stage != Stage.RECEIVED ? triage.rank(told) : null;
            RecoveryPath path = stage == Stage.RECEIVED
                    ? null
                    : stage == Stage.DECLINED
                            ? RecoveryPath.DECLINE
                            : ranking != null ? ranking.ranking().get(0).path() : PastEndings.likely(type, trouble);
            Staff.Person person = pick(STAFF);
            String owner = person.name();
            Instant since = open
                    ? created.plus(Duration.ofMinutes(random.nextInt(15)))
                    : created.plus(Duration.ofHours(30 + random.nextInt(400)));
            boolean held = stage == Stage.ON_HOLD;
            rows.row(
                    id,
                    number,
                    name,
                    customer,
                    contact,
                    "The " + type.replace('-', ' ') + " of " + name + ".",
                    stage.name(),
                    since,
                    owner,
                    person.login(),
                    path == null ? null : path.word(),
                    path == null ? null : "",
                    path == null ? null : "Brantel triage protocol 2",
                    held ? "Waits for the customer's answer." : null,
                    held ? now.atZone(ZoneOffset.UTC).toLocalDate().plusDays(random.nextInt(9) - 1) : null,
                    held ? Stage.RECEIVED.name() : null,
                    created,
                    0);
            double share = 0;
            double slow = 0.5 + random.nextDouble();
            for (int i = 0; i < ROAD.length; i++) {
                Instant came = stage == Stage.CLOSED
                        ? created.plusSeconds(Math.round(Math.min(1, share)
                                * Duration.between(created, since).toSeconds()))
                        : created.plus(Duration.ofHours(20L * i));
                stages.row(id, ROAD[i].name(), i == ROAD.length - 1 ? since : came, owner);
                share += i < SHARES.length ? SHARES[i] * (i % 2 == 0 ? slow : 2 - slow) : 0;
                if (ROAD[i] == stage || i == 0 && (held || stage == Stage.DECLINED)) {
                    break;
                }
            }
            String serial = "%s-%03X-%05d"
                    .formatted(
                            pick(PastWords.MODEL).substring(0, 2).toUpperCase(Locale.ROOT),
                            random.nextInt(4096),
                            random.nextInt(100_000));
            String make = pick(PastWords.MAKE);
            String model = pick(PastWords.MODEL) + " " + (4 << random.nextInt(6));
            long capacity = (long) (1 << random.nextInt(5)) * 128_000_000_000L;
            long first = ++device;
            devices.row(first, id, 1, type, make, model, serial, capacity, "", null);
            if (id % CASES_OF_A_SET == 0) {
                for (int slot = 1; slot <= MEMBERS; slot++) {
                    devices.row(++device, id, slot + 1, "hdd", make, model, serial + "-" + slot, capacity, "set", slot);
                }
            }
            for (CaseForm.Fact f : told) {
                facts.row(id, f.code(), f.value(), f.source().word(), owner, created);
            }
            String line = pick(PastWords.WANTED);
            wanted.row(id, line, "document", "", 10 + random.nextInt(90), 0, true);
            find.row(
                    id,
                    String.join(
                                    " ",
                                    number,
                                    name,
                                    contact,
                                    phone,
                                    phone.replace(" ", ""),
                                    make,
                                    model,
                                    serial,
                                    serial.replace("-", ""),
                                    line)
                            .toLowerCase(Locale.ROOT));
            custody(number, created, owner, path, stage);
            if (path != null && ranking != null) {
                decisions.row(
                        id,
                        path.word(),
                        "",
                        ranking.protocol(),
                        Json.write(ranking),
                        Stage.RECEIVED.word(),
                        owner,
                        since);
            }
            work(id, first, stage, owner, since);
            if (stage == Stage.CLOSED && since.isAfter(now.minus(KEPT))) {
                endings.close(id, Objects.requireNonNull(path), owner, since);
            }
        }

        private void custody(String number, Instant created, String owner, @Nullable RecoveryPath path, Stage stage) {
            CustodyEntry entry = custody(CustodyEntry.next(
                    number, 1, CustodyEntry.START, created, owner, "logged the case", "from past years"));
            if (path != null) {
                entry = custody(CustodyEntry.next(
                        number,
                        2,
                        entry.hash(),
                        created.plusSeconds(900),
                        owner,
                        "decided on " + path.words(),
                        "Brantel triage protocol 2"));
            }
            if (stage == Stage.CLOSED) {
                entry = custody(CustodyEntry.next(
                        number, 3, entry.hash(), created.plusSeconds(90_000), "the customer", "confirmed receipt", ""));
            }
            heads.row(number, entry.number(), entry.hash());
        }

        private CustodyEntry custody(CustodyEntry e) {
            custody.row(e.caseNumber(), e.number(), e.at(), e.who(), e.what(), e.detail(), e.previous(), e.hash());
            return e;
        }

        /** Sessions of cases that are being worked on. */
        private void work(int id, long deviceId, Stage stage, String owner, Instant since) {
            if (stage == Stage.IMAGING) {
                attachment++;
                attachments.row(
                        attachment,
                        id,
                        deviceId,
                        "inbox/past-" + id,
                        "{\"make\":\"\",\"model\":\"\",\"serial\":\"\",\"size\":128000000000}",
                        true,
                        owner,
                        since);
                boolean done = random.nextBoolean();
                imaging.row(
                        id,
                        deviceId,
                        attachment,
                        done ? "DONE" : "PAUSED",
                        "healthy",
                        "",
                        128_000_000_000L,
                        done ? 128_000_000_000L : 64_000_000_000L,
                        0,
                        0,
                        0,
                        "sweep",
                        0,
                        0,
                        "",
                        "",
                        done ? 128_000_000_000L : 0,
                        owner,
                        since,
                        1_400_000 + random.nextInt(900_000));
            } else if (stage == Stage.RECOVERY) {
                endings.recover(id, 38, owner, since);
            }
        }
    }
}
