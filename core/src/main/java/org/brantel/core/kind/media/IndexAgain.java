package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.kind.Resumable;

/** A film whose index is in two pieces: its boxes and tables notice where other bytes stand among them. */
final class IndexAgain implements Resumable {

    private final IsoMedia kind;
    private final IsoMedia.Box index;
    private final RangeSet data;

    private IndexAgain(IsoMedia kind, IsoMedia.Box index, RangeSet data) {
        this.kind = kind;
        this.index = index;
        this.data = data;
    }

    static IndexAgain of(IsoMedia kind, IsoMedia.Box index, RangeSet data) {
        return new IndexAgain(kind, index, data);
    }

    @Override
    public Walk broken() {
        return Walk.broken(index.at(), "a box of its index is malformed");
    }

    @Override
    public long earliest() {
        return index.at();
    }

    @Override
    public long latest() {
        return index.end();
    }

    /** The index is asked first: it is small beside what it points to. */
    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        SampleTables tables = new SampleTables(other);
        tables.read(index);
        boolean dataFirst = !data.isEmpty() && data.ranges().get(0).offset() < index.at();
        return tables.isMalformed() || dataFirst && !tables.lieIn(data) ? broken() : kind.walk(other);
    }

    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        return true;
    }
}
