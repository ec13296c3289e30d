package org.brantel.core.volume;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;

/**
 * The partition table of a master boot record, in sector 0, little-endian; sector numbers count the medium's own
 * sectors (UEFI Specification 2.10, section 5.2.1).
 *
 * <pre>
 * offset size field
 *   446   16  entry 1 of 4:
 *               +4  1  type (0 unused; 5, 15 and 133 extended)
 *               +8  4  first sector, from this table (logical) or the extended partition's start (next table)
 *              +12  4  number of sectors
 *   510    2  signature 55 AA
 * </pre>
 */
final class MasterBootRecord {

    static final String NAME = "the master boot record";
    /** Says that a GUID table is the true one (UEFI Specification 2.10, section 5.2.3). */
    static final int PROTECTIVE = 0xee;

    private static final int TABLE = 446;
    private static final int ENTRY = 16;
    private static final int MAX_LOGICAL = 256;

    private MasterBootRecord() {}

    /** The entries that lie on the medium; what does not is told to {@code problems}. Empty without a table. */
    static List<Partition> read(Source source, int sectorBytes, List<String> problems) throws IOException {
        List<Partition> entries = new ArrayList<>();
        List<Raw> primary = table(source, sectorBytes, 0);
        for (int i = 0; i < primary.size(); i++) {
            Raw raw = primary.get(i);
            if (raw.extended()) {
                logical(source, sectorBytes, raw, entries, problems);
            } else if (raw.used()) {
                place(source, sectorBytes, i + 1, raw.type, raw.first, raw.count, entries, problems);
            }
        }
        return entries;
    }

    private record Raw(int type, long first, long count) {
        boolean used() {
            return type != 0 && count != 0;
        }

        boolean extended() {
            return used() && (type == 0x05 || type == 0x0f || type == 0x85);
        }
    }

    private static List<Raw> table(Source source, int sectorBytes, long sector) throws IOException {
        long at = sector * sectorBytes;
        if (at > source.size() - 512) {
            return List.of();
        }
        ByteView view = ByteView.of(source, new Range(at, 512));
        try {
            if (view.u16be(510) != 0x55aa) {
                return List.of();
            }
            List<Raw> raws = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                int base = TABLE + i * ENTRY;
                int status = view.u8(base);
                if (status != 0 && status != 0x80) {
                    return List.of();
                }
                raws.add(new Raw(view.u8(base + 4), view.u32le(base + 8), view.u32le(base + 12)));
            }
            return raws;
        } catch (ByteView.Unread e) {
            return List.of();
        }
    }

    /** Whether sector 0 says that a GUID table is the true one. */
    static boolean isProtective(Source source, int sectorBytes) throws IOException {
        return table(source, sectorBytes, 0).stream().anyMatch(r -> r.type == PROTECTIVE);
    }

    private static void logical(
            Source source, int sectorBytes, Raw extended, List<Partition> entries, List<String> problems)
            throws IOException {
        Set<Long> seen = new HashSet<>();
        long at = extended.first;
        for (int n = 5; n < 5 + MAX_LOGICAL && seen.add(at); n++) {
            List<Raw> raws = table(source, sectorBytes, at);
            if (raws.isEmpty()) {
                problems.add("The chain of logical partitions breaks at sector " + at + ": no table there.");
                return;
            }
            if (raws.get(0).used()) {
                place(
                        source,
                        sectorBytes,
                        n,
                        raws.get(0).type,
                        at + raws.get(0).first,
                        raws.get(0).count,
                        entries,
                        problems);
            }
            if (!raws.get(1).extended()) {
                return;
            }
            at = extended.first + raws.get(1).first;
        }
        problems.add("The chain of logical partitions runs in a circle at sector " + at + ".");
    }

    private static void place(
            Source source,
            int sectorBytes,
            int number,
            int type,
            long first,
            long count,
            List<Partition> entries,
            List<String> problems) {
        long start = first * sectorBytes;
        long length = count * sectorBytes;
        if (start >= source.size()) {
            problems.add("Partition " + number + " starts at " + start + ", beyond the medium's end.");
            return;
        }
        if (length > source.size() - start) {
            problems.add("Partition " + number + " claims " + length + " bytes from " + start
                    + ", more than the medium has.");
            length = source.size() - start;
        }
        entries.add(new Partition(NAME, number, String.format("%02x", type), "", new Range(start, length)));
    }
}
