package org.brantel.core.filesystem.optical;

import java.io.IOException;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.source.Source;

/** UDF. */
public final class UdfFamily implements Family {

    private static final int HEAD_AT = 32 << 10;

    @Override
    public Set<String> names() {
        return Set.of("udf");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return UdfReader.open(source, room);
    }

    @Override
    public Set<Integer> headsAt() {
        return Set.of(HEAD_AT);
    }

    /** The type of the descriptor with which the extended area begins (ECMA-167, 2/9.2.1). */
    @Override
    public boolean couldBegin(int firstByte) {
        return firstByte == 0;
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (UdfReader.begins(b, i)) {
            signs.add(Signs.HEAD, at);
        }
    }

    @Override
    public RecordShape describe(String fs) {
        return UdfEntryFields.SHAPE;
    }
}
