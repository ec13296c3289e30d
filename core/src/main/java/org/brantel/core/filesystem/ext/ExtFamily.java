package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.source.Source;

/** The ext family: each superblock tells of its volume, the first as well as the copies. */
public final class ExtFamily implements Family {

    private static final Signs.Sign SUPERBLOCK = new Signs.Sign("a superblock");

    @Override
    public Set<String> names() {
        return Set.of("ext2", "ext3", "ext4");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return ExtReader.open(source, room);
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (Superblock.begins(b, i)) {
            signs.add(SUPERBLOCK, at);
        }
    }

    @Override
    public Optional<Signs.Sign> copySign() {
        return Optional.of(SUPERBLOCK);
    }

    @Override
    public Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        try {
            return Optional.of(ExtReader.openByCopy(source, place));
        } catch (ParseFailure | ByteView.Unread e) {
            return Optional.empty();
        }
    }

    @Override
    public RecordShape describe(String fs) {
        return InodeFields.SHAPE;
    }
}
