package org.brantel.core.health;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * SMART attribute data and thresholds as an ATA device returns them: two sectors of 512 bytes, little endian. The frame
 * is ATA8-ACS, SMART READ DATA (revision at 0, checksum at 511 so that all bytes sum to 0); the table inside is
 * SFF-8035i revision 2, section 7.
 *
 * <pre>
 * data         0  2 bytes  revision
 *              2  30 x 12  attributes: id 1 (0 is no attribute), flags 2 (bit 0: pre-failure), value 1, worst 1, raw 6,
 *            reserved 1 511  1        checksum
 * thresholds   2  30 x 12  id 1, threshold 1, reserved 10
 *            511  1        checksum
 * </pre>
 */
public final class AtaSmart {

    public static final int SECTOR = 512;
    private static final int TABLE = 2;
    private static final int ENTRIES = 30;
    private static final int ENTRY = 12;

    /** Attributes that every maker means the same by. */
    private static final Map<Integer, String> NAMES = Map.ofEntries(
            Map.entry(1, "read error rate"),
            Map.entry(3, "spin-up time"),
            Map.entry(4, "starts and stops"),
            Map.entry(5, "reallocated sectors"),
            Map.entry(7, "seek error rate"),
            Map.entry(9, "power-on hours"),
            Map.entry(10, "spin-up retries"),
            Map.entry(12, "power cycles"),
            Map.entry(184, "end-to-end errors"),
            Map.entry(187, "reported uncorrectable errors"),
            Map.entry(188, "command time-outs"),
            Map.entry(190, "airflow temperature"),
            Map.entry(193, "head loads"),
            Map.entry(194, "temperature"),
            Map.entry(196, "reallocation events"),
            Map.entry(197, "pending sectors"),
            Map.entry(198, "uncorrectable sectors"),
            Map.entry(199, "interface checksum errors"),
            Map.entry(202, "endurance used"));

    private AtaSmart() {}

    /**
     * @param data       512 bytes of attribute data
     * @param thresholds 512 bytes of thresholds, or null when there are none
     * @throws IllegalArgumentException with a sentence for a person
     */
    public static HealthReading parse(byte[] data, byte @Nullable [] thresholds) {
        check(data, "SMART attribute data");
        Map<Integer, Integer> limits = thresholds == null ? Map.of() : limits(thresholds);
        List<HealthReading.Attribute> attributes = new ArrayList<>();
        for (int i = 0; i < ENTRIES; i++) {
            int at = TABLE + i * ENTRY;
            int id = data[at] & 0xff;
            if (id != 0) {
                attributes.add(new HealthReading.Attribute(
                        id,
                        NAMES.getOrDefault(id, "attribute " + id),
                        data[at + 3] & 0xff,
                        data[at + 4] & 0xff,
                        limits.getOrDefault(id, 0),
                        little(data, at + 5, 6),
                        (data[at + 1] & 1) == 1));
            }
        }
        if (attributes.isEmpty()) {
            throw new IllegalArgumentException("The SMART attribute data names no attribute; it is not a reading.");
        }
        return new HealthReading(
                HealthReading.Origin.ATA,
                new HealthReading.State(celsius(attributes), low(attributes, 9, 4), low(attributes, 199, 4)),
                new HealthReading.Damage(low(attributes, 5, 4), low(attributes, 197, 4), low(attributes, 198, 4)),
                HealthReading.Wear.UNKNOWN,
                0,
                attributes);
    }

    private static Map<Integer, Integer> limits(byte[] thresholds) {
        check(thresholds, "SMART thresholds");
        Map<Integer, Integer> limits = new HashMap<>();
        for (int i = 0; i < ENTRIES; i++) {
            int at = TABLE + i * ENTRY;
            limits.put(thresholds[at] & 0xff, thresholds[at + 1] & 0xff);
        }
        return limits;
    }

    private static void check(byte[] sector, String what) {
        if (sector.length != SECTOR) {
            throw new IllegalArgumentException(what + " has 512 bytes; this has " + sector.length + ".");
        }
        int sum = 0;
        for (byte b : sector) {
            sum += b;
        }
        if ((sum & 0xff) != 0) {
            throw new IllegalArgumentException(
                    "The checksum of the " + what + " is wrong; read it from the device again.");
        }
    }

    /** Makers put more than the temperature into the six bytes; the lowest is always the present one. */
    private static @Nullable Integer celsius(List<HealthReading.Attribute> attributes) {
        Long raw = low(attributes, 194, 1);
        raw = raw == null ? low(attributes, 190, 1) : raw;
        return raw == null || raw == 0 ? null : raw.intValue();
    }

    private static @Nullable Long low(List<HealthReading.Attribute> attributes, int id, int bytes) {
        return attributes.stream()
                .filter(a -> a.id() == id)
                .findFirst()
                .map(a -> a.raw() & (1L << 8 * bytes) - 1)
                .orElse(null);
    }

    /** The data sector of a reading; for simulated devices. */
    public static byte[] data(List<HealthReading.Attribute> attributes) {
        byte[] sector = new byte[SECTOR];
        sector[0] = 16;
        for (int i = 0; i < attributes.size(); i++) {
            HealthReading.Attribute a = attributes.get(i);
            int at = TABLE + i * ENTRY;
            sector[at] = (byte) a.id();
            sector[at + 1] = (byte) (a.preFail() ? 0x33 : 0x32);
            sector[at + 3] = (byte) a.value();
            sector[at + 4] = (byte) a.worst();
            for (int b = 0; b < 6; b++) {
                sector[at + 5 + b] = (byte) (a.raw() >>> 8 * b);
            }
        }
        return summed(sector);
    }

    /** The threshold sector of a reading; for simulated devices. */
    public static byte[] thresholds(List<HealthReading.Attribute> attributes) {
        byte[] sector = new byte[SECTOR];
        sector[0] = 16;
        for (int i = 0; i < attributes.size(); i++) {
            sector[TABLE + i * ENTRY] = (byte) attributes.get(i).id();
            sector[TABLE + i * ENTRY + 1] = (byte) attributes.get(i).threshold();
        }
        return summed(sector);
    }

    private static byte[] summed(byte[] sector) {
        int sum = 0;
        for (byte b : sector) {
            sum += b;
        }
        sector[SECTOR - 1] = (byte) -sum;
        return sector;
    }

    private static long little(byte[] bytes, int at, int length) {
        long number = 0;
        for (int i = length - 1; i >= 0; i--) {
            number = number << 8 | bytes[at + i] & 0xff;
        }
        return number;
    }
}
