package org.brantel.core.scan;

import java.io.IOException;
import java.security.MessageDigest;
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
        long held = finding.extents().stream().mapToLong(Range::length).sum();
        if (held < finding.size()) {
            return finding;
        }
        MessageDigest digest = Hashes.sha256();
        long left = finding.size();
        for (Range extent : finding.extents()) {
            for (long at = extent.offset(); at < extent.end() && left > 0; ) {
                int n = (int) Math.min(Math.min(buffer.length, extent.end() - at), left);
                if (!source.read(at, buffer, 0, n).isClean()) {
                    return finding;
                }
                digest.update(buffer, 0, n);
                at += n;
                left -= n;
            }
        }
        return finding.withHash(Hashes.hex(digest.digest()));
    }
}
