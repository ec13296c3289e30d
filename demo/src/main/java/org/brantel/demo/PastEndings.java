package org.brantel.demo;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.Stage;

/** What was recovered and delivered in past years, and with what cases were closed. */
final class PastEndings {

    private static final int CHOSEN = 40;
    private static final long BYTES = 2_250_000L * CHOSEN;

    private final Random random;
    private final CopyTable recoveries;
    private final CopyTable deliveries;
    private final CopyTable closings;
    private long run;

    PastEndings(Connection connection, Random random) throws SQLException {
        this.random = random;
        recoveries = new CopyTable(
                connection,
                "recovery_run (id, case_id, state, folder, layout, opens_on, total, done, whole, gapped, not_written, "
                        + "bytes, who, started_at)");
        deliveries = new CopyTable(
                connection,
                "delivery (case_id, run_id, state, bag, files, bytes, manifest_sha256, fingerprint, "
                        + "sealed_at, who, started_at)");
        closings = new CopyTable(connection, "case_closing (case_id, outcome, words, stage_before, who, at)");
    }

    /** In the order of the tables; the cases must be there. */
    void send() throws SQLException {
        for (CopyTable table : List.of(recoveries, deliveries, closings)) {
            table.send();
        }
    }

    /** The path that such a case mostly went. */
    static RecoveryPath likely(String type, String[] trouble) {
        if (type.equals("nas")) {
            return RecoveryPath.ASSEMBLE_FIRST;
        }
        return switch (trouble[trouble.length - 1]) {
            case "symptom.appears=not-detected", "loss.event=liquid" -> RecoveryPath.HARDWARE_WORK;
            case "symptom.speed=very-slow", "symptom.appears=comes-and-goes" -> RecoveryPath.CAREFUL_IMAGING;
            default -> RecoveryPath.IMAGE_THEN_SCAN;
        };
    }

    /** Writes the selection of a case out. */
    void recover(int id, int whole, String owner, Instant at) {
        recoveries.row(
                ++run,
                id,
                "DONE",
                "",
                "as-it-stood",
                "every",
                CHOSEN,
                CHOSEN,
                whole,
                CHOSEN - whole,
                0,
                BYTES,
                owner,
                at);
    }

    /** Closes a case, mostly with a delivery. */
    void close(int id, RecoveryPath path, String owner, Instant at) {
        double chance = path == RecoveryPath.HARDWARE_WORK ? 0.5 : 0.8;
        double how = random.nextDouble();
        if (how < chance) {
            recover(id, random.nextInt(3) > 0 ? CHOSEN : CHOSEN - 1 - random.nextInt(12), owner, at);
            deliveries.row(id, run, "DONE", "", CHOSEN, BYTES, "", "", at, owner, at);
            closings.row(id, "DELIVERED", "", Stage.HANDOVER.name(), owner, at);
            return;
        }
        double rest = (how - chance) / (1 - chance);
        String outcome = rest < 0.5 ? "NOTHING_RECOVERABLE" : rest < 0.75 ? "COPY_FOUND" : "COLLECTED_UNRECOVERED";
        closings.row(id, outcome, "of past years", Stage.SELECTION.name(), owner, at);
    }
}
