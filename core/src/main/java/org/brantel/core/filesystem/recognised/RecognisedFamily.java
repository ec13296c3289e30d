package org.brantel.core.filesystem.recognised;

import java.io.IOException;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.source.Source;

/** What is known by its head alone. */
public final class RecognisedFamily implements Family {

    @Override
    public Set<String> names() {
        return Set.of("hfsplus", "apfs", "xfs", "btrfs", "luks", "fve");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return Recognised.open(source, room);
    }

    @Override
    public Set<Integer> headsAt() {
        return Set.of(0, Recognised.HFS_AT, Recognised.BTRFS_AT);
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (Recognised.begins(b, i)) {
            signs.add(Signs.HEAD, at);
        }
    }
}
