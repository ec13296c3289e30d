package org.brantel.core.imaging;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;

/**
 * What an image does not hold, range by range.
 *
 * @param ranges ascending
 */
public record UnreadReport(long size, int sectorSize, long readBytes, long unreadBytes, List<Unread> ranges) {

    /** @param state why: {@code unasked}, {@code deferred} or {@code failed} */
    public record Unread(long off, long len, String state) {}

    /** @param map the journal beside an image */
    public static UnreadReport of(Path map) throws IOException {
        MapJournal.Loaded loaded = MapJournal.load(map);
        ReadMap it = loaded.map();
        List<Unread> ranges = it.runs().stream()
                .filter(r -> r.state() != BlockState.READ)
                .map(r -> new Unread(
                        r.range().offset(), r.range().length(), r.state().word()))
                .toList();
        return new UnreadReport(
                it.size(),
                loaded.header().sectorSize(),
                it.bytes(BlockState.READ),
                it.size() - it.bytes(BlockState.READ),
                ranges);
    }
}
