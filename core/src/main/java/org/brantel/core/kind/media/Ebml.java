package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/**
 * Elements of EBML (RFC 8794, section 6): an identifier and a length, both of variable width, the number of leading
 * zeros of the first byte saying how many more follow; then so many bytes.
 */
final class Ebml {

    private Ebml() {}

    /** @param end -1 when it is not known; {@link Long#MAX_VALUE} when it lies behind the content */
    record Element(long id, long body, long end) {

        boolean isWithin(long limit) {
            return end >= 0 && end <= limit;
        }
    }

    /** @return null when none can begin there */
    static @Nullable Element element(ByteView content, long at) throws IOException {
        int first = content.u8(at);
        int idBytes = Integer.numberOfLeadingZeros(first) - 23;
        if (first == 0 || idBytes > 4) {
            return null;
        }
        long id = number(content, at, idBytes);
        long sizeAt = at + idBytes;
        int sizeFirst = content.u8(sizeAt);
        int sizeBytes = Integer.numberOfLeadingZeros(sizeFirst) - 23;
        if (sizeFirst == 0) {
            return null;
        }
        long mask = (1L << 7 * sizeBytes) - 1;
        long size = number(content, sizeAt, sizeBytes) & mask;
        long body = sizeAt + sizeBytes;
        return new Element(id, body, size == mask ? -1 : size > content.length() - body ? Long.MAX_VALUE : body + size);
    }

    /** @param bytes up to 8 */
    static long number(ByteView content, long at, int bytes) throws IOException {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            value = value << 8 | content.u8(at + i);
        }
        return value;
    }
}
