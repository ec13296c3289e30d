package org.brantel.core.filesystem.exfat;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Chains;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** The allocation table: 32 bits a cluster, 0 free, FFFFFFF7 bad, FFFFFFFF last of its chain (EXFAT section 4.1). */
final class ExfatTable implements Chains.Links {

    private static final long END = 0xffffffffL;

    private final BootSector boot;
    private final @Nullable ByteView view;

    ExfatTable(Source source, BootSector boot) {
        this.boot = boot;
        long there = Math.max(0, Math.min(boot.tableBytes(), source.size() - boot.tableAt()));
        view = there == 0 ? null : ByteView.of(source, new Range(boot.tableAt(), there));
    }

    @Override
    public long next(long cluster) throws IOException {
        if (view == null || cluster * 4 + 4 > view.length()) {
            return -1;
        }
        try {
            return view.u32le(cluster * 4);
        } catch (ByteView.Unread e) {
            return -1;
        }
    }

    @Override
    public boolean isEnd(long value) {
        return value == END;
    }

    @Override
    public long clusters() {
        return boot.clusters();
    }

    @Override
    public long offset(long cluster) {
        return boot.offset(cluster);
    }

    @Override
    public int clusterBytes() {
        return boot.clusterBytes();
    }
}
