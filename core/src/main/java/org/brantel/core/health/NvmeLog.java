package org.brantel.core.health;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;

/**
 * The SMART / health information log of an NVMe device, log page 02h: 512 bytes, little endian. NVM Express Base
 * Specification 1.4, section 5.14.1.2, figure 194.
 *
 * <pre>
 *   0  1   critical warning, bits below
 *   1  2   composite temperature, kelvin
 *   3  1   available spare, percent
 *   4  1   available spare threshold, percent
 *   5  1   percentage used
 * 128  16  power-on hours
 * 160  16  media and data integrity errors
 * </pre>
 */
final class NvmeLog {

    public static final int BYTES = 512;
    /** Bits of the critical warning. */
    public static final int SPARE_LOW = 1;

    public static final int TEMPERATURE = 2;
    public static final int UNRELIABLE = 4;
    public static final int READ_ONLY = 8;
    public static final int BACKUP_FAILED = 16;
    private static final int KELVIN = 273;

    private NvmeLog() {}

    /** @throws IllegalArgumentException with a sentence for a person */
    public static HealthReading parse(byte[] log) {
        if (log.length != BYTES) {
            throw new IllegalArgumentException("An NVMe health log has 512 bytes; this has " + log.length + ".");
        }
        ByteBuffer in = ByteBuffer.wrap(log).order(ByteOrder.LITTLE_ENDIAN);
        int kelvin = in.getShort(1) & 0xffff;
        if (kelvin == 0 && in.get(3) == 0 && in.get(4) == 0 && in.get(5) == 0) {
            throw new IllegalArgumentException("The NVMe health log is empty; read it from the device again.");
        }
        return new HealthReading(
                HealthReading.Origin.NVME,
                new HealthReading.State(kelvin == 0 ? null : kelvin - KELVIN, count(in, 128), null),
                new HealthReading.Damage(null, null, count(in, 160)),
                new HealthReading.Wear(in.get(5) & 0xff, in.get(3) & 0xff, in.get(4) & 0xff),
                in.get(0) & 0x1f,
                List.of());
    }

    /** Counters have 16 bytes; no device lives long enough for more than 63 bits. */
    private static long count(ByteBuffer in, int at) {
        return in.getLong(at + 8) != 0 || in.getLong(at) < 0 ? Long.MAX_VALUE : in.getLong(at);
    }
}
