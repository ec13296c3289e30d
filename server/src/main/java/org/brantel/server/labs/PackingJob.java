package org.brantel.server.labs;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.hash.Hashes;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.ForeignCases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Packs a case for another lab: all that goes along is asked for its part, and the whole is signed. */
@Component
class PackingJob implements Labour<Packing> {

    private final Packings packings;
    private final CaseHomes homes;
    private final TravelMarkRows marks;
    private final List<GoesAlong> parts;
    private final ForeignCases foreign;
    private final Cases cases;
    private final CustodyService custody;
    private final ForeignRecords others;
    private final Settings settings;
    private final Clock clock;

    PackingJob(
            Packings packings,
            CaseHomes homes,
            TravelMarkRows marks,
            List<GoesAlong> parts,
            ForeignCases foreign,
            Cases cases,
            CustodyService custody,
            ForeignRecords others,
            Settings settings,
            Clock clock) {
        this.packings = packings;
        this.homes = homes;
        this.marks = marks;
        this.parts = parts;
        this.foreign = foreign;
        this.cases = cases;
        this.custody = custody;
        this.others = others;
        this.settings = settings;
        this.clock = clock;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> packingTask(LongWork work, PackingJob job) {
            return work.define("packing", job);
        }
    }

    @Override
    public String name() {
        return "packing a case";
    }

    @Override
    public Topic topic() {
        return Topic.LABS;
    }

    @Override
    public Packings records() {
        return packings;
    }

    @Override
    public String consequence() {
        return "nothing of the case was changed, pack it again";
    }

    /** Killed, it begins anew: what it left half packed is taken away first. */
    @Override
    public Step<Packing> work(WorkRun<Packing> run) throws IOException {
        String number = run.number();
        Path folder =
                Files.createDirectories(settings.caseFiles().resolve(number).toAbsolutePath());
        Path data = folder.resolve("packing-" + run.id());
        Path zip = folder.resolve(number + "-case-" + run.id() + ".zip");
        CaseBag.delete(data);
        Files.deleteIfExists(zip);
        Files.createDirectories(data);
        try {
            LabKey key = LabKey.at(settings.key());
            CaseFile file = collect(run, data, key.fingerprint());
            CaseBag.document(file, data);
            CaseBag.pack(
                    data,
                    zip,
                    new BagInfo(
                            settings.lab(),
                            number + " packing " + run.id(),
                            "A case for " + run.record().forLab(),
                            LocalDate.now(clock.withZone(settings.zone())),
                            "the case as the lab has it"),
                    key);
        } finally {
            CaseBag.delete(data);
        }
        String hash = sha256(zip);
        long bytes = Files.size(zip);
        return Step.<Packing>to(p -> p.packed(zip.toString(), bytes, hash, run.now()))
                .told(
                        "packed the case for another lab",
                        "packing " + run.id() + " for " + run.record().forLab() + ", because: "
                                + run.record().why() + "; " + bytes + " bytes, SHA-256 " + hash);
    }

    private CaseFile collect(WorkRun<Packing> run, Path data, String fingerprint) throws IOException {
        String number = run.number();
        long caseId = cases.id(number);
        GoesAlong.Leaving leaving = new GoesAlong.Leaving(
                number,
                settings.lab(),
                new CaseMarks(marks, caseId, fingerprint),
                data,
                new GoesAlong.Parts(
                        new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>()));
        for (GoesAlong part : parts) {
            part.pack(leaving);
        }
        CaseFile.Home home = new CaseFile.Home(settings.lab(), fingerprint, number);
        List<CaseHome> elsewhere = homes.findByCaseIdOrderByCameAt(caseId);
        List<CaseFile.Ledger> ledgers = new ArrayList<>();
        List<CustodyEntry> own = custody.tape(number).entries();
        CustodyEntry last = own.get(own.size() - 1);
        ledgers.add(new CaseFile.Ledger(home, last.number(), last.hash(), record(data, 1, own)));
        for (CaseHome h : elsewhere) {
            ledgers.add(new CaseFile.Ledger(
                    h.home(),
                    h.lastNumber(),
                    h.lastHash(),
                    record(
                            data,
                            ledgers.size() + 1,
                            others.of(h.home().fingerprint(), h.home().number()))));
        }
        return CaseFile.of(
                new CaseFile.Origin(
                        home,
                        elsewhere.stream().map(CaseHome::home).toList(),
                        run.now(),
                        run.record().who(),
                        run.record().forLab(),
                        run.record().why()),
                foreign.told(number),
                leaving.parts().devices(),
                new CaseFile.Said(leaving.parts().facts(), leaving.parts().notes()),
                leaving.parts().imaging(),
                leaving.parts().scans(),
                ledgers);
    }

    private static String record(Path data, int place, List<CustodyEntry> entries) throws IOException {
        String name = "custody/record-" + place + ".ndjson";
        CaseBag.record(entries, data.resolve(name));
        return name;
    }

    static String sha256(Path file) throws IOException {
        MessageDigest digest = Hashes.sha256();
        byte[] buffer = new byte[256 << 10];
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                digest.update(buffer, 0, n);
            }
        }
        return Hashes.hex(digest.digest());
    }
}
