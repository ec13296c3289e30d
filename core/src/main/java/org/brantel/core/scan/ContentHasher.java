package org.brantel.core.scan;

import java.io.IOException;
import java.security.MessageDigest;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.zip.CRC32C;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.hash.Hashes;
import org.brantel.core.source.Source;

/**
 * What tells a finding's bytes from others, when all of them are there: a sample, which takes two short reads, and the
 * SHA-256 of all.
 */
public final class ContentHasher {

    private static final int SAMPLED = 32 << 10;

    private final byte[] buffer = new byte[256 << 10];

    /** The finding with its hash; unchanged when a byte of it is missing. */
    public Finding hashed(Finding finding, Source source) throws IOException {
        FileContent content = finding.content(source);
        if (source.isFilling()
                && !content.knownUnread(new Range(0, content.size())).isEmpty()) {
            // A later session hashes it; content is not fetched for its hash.
            return finding;
        }
        return hash(content).map(finding::withHash).orElse(finding);
    }

    /** SHA-256 in hex; empty when a byte is missing. */
    public Optional<String> hash(FileContent content) throws IOException {
        MessageDigest digest = Hashes.sha256();
        for (long at = 0; at < content.size(); ) {
            int n = (int) Math.min(buffer.length, content.size() - at);
            if (!content.read(at, buffer, 0, n).isClean()) {
                return Optional.empty();
            }
            digest.update(buffer, 0, n);
            at += n;
        }
        return Optional.of(Hashes.hex(digest.digest()));
    }

    /**
     * CRC-32C of the first and the last 32 KiB together: contents of one size whose samples differ are not the same.
     * Empty when a byte of these is missing.
     */
    public OptionalLong sample(FileContent content) throws IOException {
        long head = Math.min(content.size(), SAMPLED);
        long tail = Math.max(content.size() - SAMPLED, head);
        CRC32C sum = new CRC32C();
        for (Range part : List.of(new Range(0, head), new Range(tail, content.size() - tail))) {
            if (!content.read(part.offset(), buffer, 0, (int) part.length()).isClean()) {
                return OptionalLong.empty();
            }
            sum.update(buffer, 0, (int) part.length());
        }
        return OptionalLong.of(sum.getValue());
    }
}
