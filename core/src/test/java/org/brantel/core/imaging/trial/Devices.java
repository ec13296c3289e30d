package org.brantel.core.imaging.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.source.simulated.FaultPlan;

/** Simulated devices that strategies are judged on. Faults are scaled to the size, not to each other. */
final class Devices {

    record Device(String code, String words, FaultPlan plan, long size, CareProfile profile, boolean fails) {}

    private static final long MIB = 1 << 20;
    private static final int SECTOR = 512;

    private Devices() {}

    static List<Device> all() {
        return List.of(healthy(), ageing(), stripes(), clusters(), blind(), dropOut(), trimmed());
    }

    private static Device healthy() {
        return new Device(
                "healthy-stick",
                "Healthy stick",
                plan(
                        "stops",
                        new FaultPlan.Timing(30, 300, 0.2, 500),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        null,
                        null),
                1024 * MIB,
                CareProfile.HEALTHY,
                false);
    }

    /** Single faults here and there, sectors that read at the second or third try, a slow zone. */
    private static Device ageing() {
        List<FaultPlan.Dead> dead = scattered(40, 2048 * MIB, 11);
        List<FaultPlan.Weak> weak = scattered(40, 2048 * MIB, 12).stream()
                .map(d -> new FaultPlan.Weak(d.offset(), d.length(), 2))
                .toList();
        return new Device(
                "ageing-disk",
                "Ageing disk",
                plan(
                        "stops",
                        new FaultPlan.Timing(120, 80, 9, 2500),
                        dead,
                        List.of(),
                        List.of(),
                        weak,
                        List.of(new FaultPlan.Slow(700 * MIB, 160 * MIB, 1500)),
                        null,
                        null),
                2048 * MIB,
                CareProfile.AGEING,
                true);
    }

    /**
     * A damaged head: every eight megabytes 64 KiB that never read, over half of the disk; each fault may spoil a
     * neighbour.
     */
    private static Device stripes() {
        return new Device(
                "failing-disk",
                "Failing disk with a dead stripe",
                plan(
                        "stops",
                        new FaultPlan.Timing(110, 80, 10, 3000),
                        List.of(),
                        List.of(),
                        List.of(new FaultPlan.Stripes(256 * MIB, 1024 * MIB, 8 * MIB, 64 << 10)),
                        List.of(),
                        List.of(),
                        new FaultPlan.Harm(64, 0.02, 5),
                        null),
                2048 * MIB,
                CareProfile.FAILING,
                true);
    }

    /** Scratches: zones where a tenth of the sectors is gone, one with a dead heart. */
    private static Device clusters() {
        return new Device(
                "scratched-disk",
                "Scratched disk",
                plan(
                        "stops",
                        new FaultPlan.Timing(110, 80, 10, 3000),
                        List.of(new FaultPlan.Dead(1210 * MIB, 2 * MIB)),
                        List.of(
                                new FaultPlan.Cluster(300 * MIB, 12 * MIB, 0.1, 21),
                                new FaultPlan.Cluster(1204 * MIB, 16 * MIB, 0.05, 22)),
                        List.of(),
                        List.of(),
                        List.of(),
                        new FaultPlan.Harm(32, 0.05, 6),
                        null),
                2048 * MIB,
                CareProfile.FAILING,
                true);
    }

    /** A disk behind the kernel: a request fails as a whole, and nobody says where. */
    private static Device blind() {
        return new Device(
                "silent-disk",
                "Disk that never says where",
                plan(
                        "fails-whole",
                        new FaultPlan.Timing(110, 80, 10, 3000),
                        scattered(60, 2048 * MIB, 31),
                        List.of(),
                        List.of(new FaultPlan.Stripes(900 * MIB, 64 * MIB, 16 * MIB, 512 << 10)),
                        List.of(),
                        List.of(),
                        null,
                        null),
                2048 * MIB,
                CareProfile.FAILING,
                true);
    }

    /** Goes away at every twelfth fault and must be attached again. */
    private static Device dropOut() {
        return new Device(
                "card-that-drops-out",
                "Card that drops out",
                plan(
                        "stops",
                        new FaultPlan.Timing(20, 400, 0.2, 1000),
                        List.of(new FaultPlan.Dead(96 * MIB, 96 << 10)),
                        List.of(new FaultPlan.Cluster(300 * MIB, MIB, 0.1, 41)),
                        List.of(),
                        List.of(),
                        List.of(),
                        null,
                        new FaultPlan.DropOut(0, 12, 0)),
                512 * MIB,
                CareProfile.FAILING,
                true);
    }

    private static Device trimmed() {
        FaultPlan base = plan(
                "stops",
                new FaultPlan.Timing(450, 60, 0.05, 300),
                scattered(4, 2048 * MIB, 51),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                null,
                null);
        return new Device(
                "trimmed-ssd",
                "SSD with discarded blocks",
                new FaultPlan(
                        base.edition(),
                        base.backing(),
                        base.identity(),
                        SECTOR,
                        new FaultPlan.Zones(
                                base.zones().dead(),
                                null,
                                null,
                                null,
                                null,
                                List.of(new FaultPlan.Dead(512 * MIB, 900 * MIB))),
                        new FaultPlan.Habits("stops", null, null),
                        base.timing(),
                        null),
                2048 * MIB,
                CareProfile.HEALTHY,
                false);
    }

    private static List<FaultPlan.Dead> scattered(int count, long size, long seed) {
        Random random = new Random(seed);
        List<FaultPlan.Dead> dead = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            dead.add(new FaultPlan.Dead(((long) (random.nextDouble() * size / SECTOR)) * SECTOR, SECTOR));
        }
        return dead;
    }

    private static FaultPlan plan(
            String onFault,
            FaultPlan.Timing timing,
            List<FaultPlan.Dead> dead,
            List<FaultPlan.Cluster> clusters,
            List<FaultPlan.Stripes> stripes,
            List<FaultPlan.Weak> weak,
            List<FaultPlan.Slow> slow,
            FaultPlan.Harm harm,
            FaultPlan.DropOut dropOut) {
        return new FaultPlan(
                FaultPlan.Edition.PRESENT,
                "none",
                FaultPlan.Identity.NONE,
                SECTOR,
                new FaultPlan.Zones(dead, clusters, stripes, weak, slow, null),
                new FaultPlan.Habits(onFault, harm, dropOut),
                timing,
                null);
    }
}
