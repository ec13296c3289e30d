package org.brantel.core.scan;

import java.io.IOException;
import java.security.MessageDigest;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.manifest.Hashes;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;

/** SHA-256 of a finding's bytes, when all of them are there. */
public final class ContentHasher {

    private final Source source;
    private final byte[] buffer = new byte[256 << 10];

    public ContentHasher(Source source) {
        this.source = source;
    }

    /** The finding with its hash; unchanged when a byte of it is missing. */
    public Finding hashed(Finding finding) throws IOException {
        FileContent content = finding.content(source);
        if (source.isFilling() && !content.knownUnread(new Range(0, content.size())).isEmpty()) {
            // A later session hashes it; content is not fetched for its hash.
            return finding;
        }
        MessageDigest digest = Hashes.sha256();
        for (long at = 0; at < content.size(); ) {
            int n = (int) Math.min(buffer.length, content.size() - at);
            if (!content.read(at, buffer, 0, n).isClean()) {
                return finding;
            }
            digest.update(buffer, 0, n);
            at += n;
        }
        return finding.withHash(Hashes.hex(digest.digest()));
    }
}
