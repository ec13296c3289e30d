package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import org.brantel.core.bytes.ByteView;

/** Data in DEFLATE (RFC 1951), unpacked to find where they end and what their CRC is. */
public final class Deflated {

    /** Takes what was unpacked. */
    public interface Sink {
        void take(byte[] bytes, int length);

        Sink NONE = (bytes, length) -> {};
    }

    private static final int CHUNK = 16 << 10;
    /** Nothing unpacks to more than this many times its size. */
    private static final long MOST_TIMES = 1100;

    /** Costly to make, and an archive may hold many small files: one for each thread. */
    private static final class Tools {
        private final Inflater inflater = new Inflater(true);
        private final byte[] in = new byte[CHUNK];
        private final byte[] out = new byte[CHUNK * 2];
    }

    private static final ThreadLocal<Tools> TOOLS = ThreadLocal.withInitial(Tools::new);

    private final ByteView content;
    private final Sink sink;
    private final CRC32 crc = new CRC32();
    private long size;
    private long failedAt;

    public Deflated(ByteView content, Sink sink) {
        this.content = content;
        this.sink = sink;
    }

    /** @return where the data end; -1 when they are malformed */
    public long read(long from) throws IOException {
        Tools tools = TOOLS.get();
        Inflater inflater = tools.inflater;
        byte[] in = tools.in;
        byte[] out = tools.out;
        inflater.reset();
        long at = from;
        try {
            while (!inflater.finished()) {
                if (inflater.needsInput()) {
                    int n = (int) Math.min(CHUNK, content.length() - at);
                    if (n <= 0) {
                        content.u8(at);
                    }
                    content.copy(at, in, 0, n);
                    at += n;
                    inflater.setInput(in, 0, n);
                }
                int n = inflater.inflate(out);
                if (n == 0 && inflater.needsDictionary() || size > MOST_TIMES * (at - from) + CHUNK) {
                    return -1;
                }
                crc.update(out, 0, n);
                size += n;
                sink.take(out, n);
            }
            return at - inflater.getRemaining();
        } catch (DataFormatException malformed) {
            failedAt = at - inflater.getRemaining();
            return -1;
        }
    }

    /** Near where they were malformed; 0 when they were not. */
    public long failedAt() {
        return failedAt;
    }

    long crc() {
        return crc.getValue();
    }

    long size() {
        return size;
    }
}
