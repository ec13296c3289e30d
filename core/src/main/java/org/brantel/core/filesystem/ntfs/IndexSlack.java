package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.util.List;
import java.util.function.Consumer;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.source.Source;

/**
 * What is left in the unused ends of a folder's index blocks (NTFS3 "struct INDEX_BUFFER").
 *
 * <pre>
 * offset size field
 *      0    4  "INDX"
 *      4    4  update sequence, as in records
 *     24    4  where the entries begin, from here
 *     28    4  where they end
 *     32    4  where the block ends
 * </pre>
 */
final class IndexSlack {

    private static final long INDX = 0x58444e49;
    private static final int HEADER = 24;
    private static final long MOST_BYTES = 64L << 20;

    private IndexSlack() {}

    /** @param extents of the folder's index */
    static void scan(Source source, BootSector boot, List<Extent> extents, long records, Consumer<Entries.Entry> each)
            throws IOException {
        byte[] block = new byte[boot.indexBytes()];
        FileContent index = new FileContent(source, extents, Math.min(MOST_BYTES, Extents.length(extents)), null);
        for (long at = 0; at + block.length <= index.size(); at += block.length) {
            if (index.read(at, block, 0, block.length).isClean()) {
                scanBlock(block, records, each);
            }
        }
    }

    static void scanBlock(byte[] block, long records, Consumer<Entries.Entry> each) {
        if (u32(block, 0) != INDX || !UpdateSequence.undo(block, u16(block, 4), u16(block, 6))) {
            return;
        }
        long used = u32(block, HEADER + 4);
        if (used >= 16 && used <= block.length - HEADER) {
            Entries.scan(block, HEADER + (int) used, block.length, records, each);
        }
    }
}
