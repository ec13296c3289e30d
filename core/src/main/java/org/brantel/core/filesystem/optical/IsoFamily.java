package org.brantel.core.filesystem.optical;

import java.io.IOException;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.source.Source;

/** ISO 9660 with its extensions. */
public final class IsoFamily implements Family {

    private static final int HEAD_AT = 32 << 10;

    @Override
    public Set<String> names() {
        return Set.of("iso9660");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return IsoReader.open(source, room);
    }

    @Override
    public Set<Integer> headsAt() {
        return Set.of(HEAD_AT);
    }

    /** The types of volume descriptors (ECMA-119, 8.1.1). */
    @Override
    public boolean couldBegin(int firstByte) {
        return firstByte <= 3 || firstByte == 255;
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (IsoReader.begins(b, i)) {
            signs.add(Signs.HEAD, at);
        }
    }

    @Override
    public RecordShape describe(String fs) {
        return IsoRecordFields.SHAPE;
    }
}
