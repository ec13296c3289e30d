package org.brantel.server.labs;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.LocalDate;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.hash.Hashes;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
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
    private final Collecting collecting;
    private final Settings settings;
    private final Clock clock;

    PackingJob(Packings packings, Collecting collecting, Settings settings, Clock clock) {
        this.packings = packings;
        this.collecting = collecting;
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
            CaseFile file = collecting.of(run.number(), data, key.fingerprint(), run.record(), run.now());
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
