package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.util.function.Consumer;
import org.brantel.core.content.FileContent;

/**
 * The log ($LogFile): pages of 4096 bytes that begin with "RCRD" (NTFS3 "struct RECORD_PAGE_HDR"), update sequence as
 * in records. What they log holds the index entries that were made and taken out.
 */
final class LogPages {

    private static final int PAGE = 4096;
    private static final long RCRD = 0x44524352;
    private static final int HEADER = 64;

    private LogPages() {}

    static void scan(FileContent log, long records, Consumer<Entries.Entry> each) throws IOException {
        byte[] page = new byte[PAGE];
        for (long at = 0; at + PAGE <= log.size(); at += PAGE) {
            if (log.read(at, page, 0, PAGE).isClean()
                    && u32(page, 0) == RCRD
                    && UpdateSequence.undo(page, u16(page, 4), u16(page, 6))) {
                Entries.scan(page, HEADER, PAGE, records, each);
            }
        }
    }
}
