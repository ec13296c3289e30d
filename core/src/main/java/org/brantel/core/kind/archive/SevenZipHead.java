package org.brantel.core.kind.archive;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.compress.PasswordRequiredException;
import org.apache.commons.compress.archivers.sevenz.SevenZArchiveEntry;
import org.apache.commons.compress.archivers.sevenz.SevenZFile;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/** What the head of a 7z archive says of its members; nothing of what is packed is unpacked. */
public final class SevenZipHead {

    /**
     * One member.
     *
     * @param size    in bytes, unpacked
     * @param changed null where that was not kept
     */
    public record Member(
            String name,
            boolean folder,
            long size,
            @Nullable Instant changed) {}

    /** What the head may take of memory. */
    private static final int MOST_KIB = 64 << 10;

    private SevenZipHead() {}

    /**
     * @return empty where a password closes even the head
     * @throws IOException where the head is damaged, packed in a way that is not known here, or was never read
     */
    public static Optional<List<Member>> of(ByteView content) throws IOException {
        List<Member> members = new ArrayList<>();
        try (SevenZFile archive = SevenZFile.builder()
                .setSeekableByteChannel(new ViewChannel(content))
                .setMaxMemoryLimitKiB(MOST_KIB)
                .get()) {
            for (SevenZArchiveEntry entry : archive.getEntries()) {
                members.add(new Member(
                        String.valueOf(entry.getName()),
                        entry.isDirectory(),
                        entry.getSize(),
                        entry.getHasLastModifiedDate()
                                ? entry.getLastModifiedTime().toInstant()
                                : null));
            }
            return Optional.of(members);
        } catch (PasswordRequiredException e) {
            return Optional.empty();
        } catch (RuntimeException e) {
            // The library trusts heads: a few bytes of them let it fail in ways that it does not declare.
            throw new IOException("the head of the archive is damaged", e);
        }
    }
}
