package org.brantel.core.kind.archive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.SeekableByteChannel;
import org.apache.commons.compress.MemoryLimitException;
import org.apache.commons.compress.PasswordRequiredException;
import org.apache.commons.compress.archivers.sevenz.SevenZArchiveEntry;
import org.apache.commons.compress.archivers.sevenz.SevenZFile;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;
import org.tukaani.xz.CorruptedInputException;

/** The members of a 7z archive, unpacked one after the other; each is held against its CRC where it has one. */
final class SevenZipMembers extends InputStream {

    private final SeekableByteChannel content;
    private final int mostKib;
    private @Nullable SevenZFile archive;
    private boolean inMember;
    private boolean checked = true;

    /** @param mostKib that its packings may take of memory */
    SevenZipMembers(ByteView content, int mostKib) {
        this.content = new ViewChannel(content);
        this.mostKib = mostKib;
    }

    /** Whether the archive gives a CRC for each member; it may give one for several together. */
    boolean isChecked() {
        return checked;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    /** @throws Unpacking.NotJudged where it is encrypted, or packed in a way that is not known here */
    @Override
    public int read(byte[] to, int into, int count) throws IOException {
        try {
            if (archive == null) {
                archive = SevenZFile.builder()
                        .setSeekableByteChannel(content)
                        .setMaxMemoryLimitKiB(mostKib)
                        .get();
            }
            while (true) {
                int n = inMember ? archive.read(to, into, count) : -1;
                if (n >= 0) {
                    return n;
                }
                SevenZArchiveEntry next = next(archive);
                if (next == null) {
                    return -1;
                }
                inMember = next.hasStream();
                checked &= !inMember || next.getHasCrc();
            }
        } catch (PasswordRequiredException | MemoryLimitException e) {
            throw new Unpacking.NotJudged(e);
        } catch (RuntimeException e) {
            // The library trusts headers: a few bytes of them let it fail in ways that it does not declare.
            throw new Unpacking.NotJudged(new IOException(e));
        }
    }

    /** The one before was read to its end, so that nothing is unpacked here but made ready. */
    private static @Nullable SevenZArchiveEntry next(SevenZFile archive) throws IOException {
        try {
            return archive.getNextEntry();
        } catch (ByteView.Unread | CorruptedInputException e) {
            throw e;
        } catch (IOException notKnown) {
            throw new Unpacking.NotJudged(notKnown);
        }
    }

    @Override
    public void close() throws IOException {
        if (archive != null) {
            archive.close();
        }
    }
}
