package org.brantel.core.kind.archive;

import java.io.IOException;
import java.io.InputStream;
import org.brantel.core.bytes.ByteView;
import org.tukaani.xz.MemoryLimitException;
import org.tukaani.xz.UnsupportedOptionsException;

/** Packed content proves itself by being unpacked: whoever unpacks it holds each block against its check. */
enum Unpacking {
    /** All of it unpacks, and the checks are right. */
    HOLDS,
    /** It does not. */
    FAILS,
    /** It asks for more than is given to a finding, or for what the unpacker does not know. */
    NOT_KNOWN;

    /** Nothing on a medium may keep a scan for long: more than this is not unpacked to check it. */
    private static final long MOST_BYTES = 1L << 30;

    /** A few bytes may ask for the largest dictionary; all threads of all scans together get it once. */
    private static final Object ONE_AT_A_TIME = new Object();

    /** Gives what packed content unpacks to. */
    interface Unpacker {
        InputStream open() throws IOException;
    }

    /** An unpacker is not given what content asks for, or does not know how it is packed. */
    static final class NotJudged extends IOException {
        private static final long serialVersionUID = 1L;

        NotJudged(IOException why) {
            super(why);
        }
    }

    /**
     * Unpacks all of it and keeps nothing.
     *
     * @throws ByteView.Unread where packed bytes were never read
     */
    static Unpacking of(Unpacker unpacker) throws IOException {
        synchronized (ONE_AT_A_TIME) {
            return upTo(MOST_BYTES, unpacker);
        }
    }

    /** @param most bytes of what it unpacks to; content that goes on is not judged */
    static Unpacking upTo(long most, Unpacker unpacker) throws IOException {
        byte[] chunk = new byte[64 << 10];
        try (InputStream in = unpacker.open()) {
            long left = most;
            for (int n = in.read(chunk); n >= 0; n = in.read(chunk)) {
                left -= n;
                if (left < 0) {
                    return NOT_KNOWN;
                }
            }
            return HOLDS;
        } catch (ByteView.Unread e) {
            throw e;
        } catch (MemoryLimitException | UnsupportedOptionsException | NotJudged e) {
            return NOT_KNOWN;
        } catch (IOException e) {
            return FAILS;
        }
    }

    /** Packed content as unpackers take it. */
    static InputStream stream(ByteView packed) {
        return new Packed(packed);
    }

    /** A view as a stream. */
    private static final class Packed extends InputStream {
        private final ByteView view;
        private long at;

        Packed(ByteView view) {
            this.view = view;
        }

        @Override
        public int read() throws IOException {
            return at < view.length() ? view.u8(at++) : -1;
        }

        @Override
        public int read(byte[] to, int into, int count) throws IOException {
            int n = (int) Math.min(count, view.length() - at);
            if (n <= 0) {
                return count == 0 ? 0 : -1;
            }
            view.copy(at, to, into, n);
            at += n;
            return n;
        }
    }
}
