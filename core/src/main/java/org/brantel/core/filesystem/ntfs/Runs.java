package org.brantel.core.filesystem.ntfs;

import java.util.Optional;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;

/**
 * The list of a non-resident attribute's runs (NTFS3 "run_unpack"): for each, a byte that says how many bytes give the
 * length (low half) and how many the place (high half; none for a hole), the length, the place as a signed distance
 * from the run before; all in clusters. A zero byte ends it.
 */
final class Runs {

    private Runs() {}

    /**
     * @param from, end  the bytes of the list
     * @param clusters   how many there are on the volume
     * @return empty when the list is malformed or leads off the volume
     */
    static Optional<Extents> unpack(byte[] b, int from, int end, BootSector boot, long clusters) {
        Extents extents = new Extents();
        long place = 0;
        for (int at = from; at < end && b[at] != 0; ) {
            int lengthBytes = b[at] & 0xf;
            int placeBytes = b[at] >> 4 & 0xf;
            at++;
            if (lengthBytes == 0 || lengthBytes > 8 || placeBytes > 8 || at + lengthBytes + placeBytes > end) {
                return Optional.empty();
            }
            long length = signed(b, at, lengthBytes);
            at += lengthBytes;
            if (length <= 0
                    || length > Long.MAX_VALUE / boot.clusterBytes() / 4
                    || extents.length() > Long.MAX_VALUE / 4) {
                return Optional.empty();
            }
            if (placeBytes == 0) {
                extents.add(Extent.HOLE, length * boot.clusterBytes());
                continue;
            }
            place += signed(b, at, placeBytes);
            at += placeBytes;
            if (place < 0 || place > clusters || length > clusters - place) {
                return Optional.empty();
            }
            extents.add(boot.offset(place), length * boot.clusterBytes());
        }
        return Optional.of(extents);
    }

    private static long signed(byte[] b, int at, int bytes) {
        long value = b[at + bytes - 1];
        for (int i = bytes - 2; i >= 0; i--) {
            value = value << 8 | b[at + i] & 0xff;
        }
        return value;
    }
}
