package org.brantel.core.source.nbd;

import static org.brantel.core.source.nbd.NbdProtocol.CHUNK_DATA;
import static org.brantel.core.source.nbd.NbdProtocol.CHUNK_ERROR_BIT;
import static org.brantel.core.source.nbd.NbdProtocol.CHUNK_ERROR_OFFSET;
import static org.brantel.core.source.nbd.NbdProtocol.CHUNK_HOLE;
import static org.brantel.core.source.nbd.NbdProtocol.CMD_DISC;
import static org.brantel.core.source.nbd.NbdProtocol.CMD_READ;
import static org.brantel.core.source.nbd.NbdProtocol.DONE;
import static org.brantel.core.source.nbd.NbdProtocol.ESHUTDOWN;
import static org.brantel.core.source.nbd.NbdProtocol.REQUEST;
import static org.brantel.core.source.nbd.NbdProtocol.SIMPLE_REPLY;
import static org.brantel.core.source.nbd.NbdProtocol.STRUCTURED_REPLY;

import java.io.Closeable;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;

/** One connection in its transmission phase: a request, then its reply. Nothing but reads is ever asked for. */
final class NbdLink implements Closeable {

    private static final int LONGEST_MESSAGE = 4096;

    private final Socket socket;
    private final DataInputStream in;
    private final DataOutputStream out;
    private final NbdExport export;
    private long cookie;

    NbdLink(Socket socket, DataInputStream in, DataOutputStream out, NbdExport export) {
        this.socket = socket;
        this.in = in;
        this.out = out;
        this.export = export;
    }

    NbdExport export() {
        return export;
    }

    void timeout(int seconds) throws IOException {
        socket.setSoTimeout(Math.max(0, seconds) * 1000);
    }

    /**
     * @param wanted whole units, not longer than the export takes at once
     * @param buffer takes it from {@code at} on; what failed is zeros
     * @throws IOException when the link is of no more use
     */
    ReadOutcome read(Range wanted, byte[] buffer, int at) throws IOException {
        cookie++;
        out.writeInt(REQUEST);
        out.writeShort(0);
        out.writeShort(CMD_READ);
        out.writeLong(cookie);
        out.writeLong(wanted.offset());
        out.writeInt((int) wanted.length());
        out.flush();
        Arrays.fill(buffer, at, at + (int) wanted.length(), (byte) 0);
        int magic = in.readInt();
        if (magic == SIMPLE_REPLY) {
            return simple(wanted, buffer, at);
        }
        if (magic != STRUCTURED_REPLY) {
            throw new IOException("the server answered with something that is no reply");
        }
        return structured(wanted, buffer, at);
    }

    private ReadOutcome simple(Range wanted, byte[] buffer, int at) throws IOException {
        int error = in.readInt();
        checkCookie();
        if (error == ESHUTDOWN) {
            throw new IOException("the server is shutting down");
        }
        if (error != 0) {
            return new ReadOutcome(List.of(wanted), 0);
        }
        in.readFully(buffer, at, (int) wanted.length());
        return ReadOutcome.clean(0);
    }

    /** Chunks may come in any order; what no chunk of data covers has failed. */
    private ReadOutcome structured(Range wanted, byte[] buffer, int at) throws IOException {
        RangeSet missing = RangeSet.of(List.of(wanted));
        RangeSet named = new RangeSet();
        boolean error = false;
        for (boolean last = false; !last; ) {
            last = (in.readUnsignedShort() & DONE) != 0;
            int type = in.readUnsignedShort();
            checkCookie();
            int length = in.readInt();
            if (type == CHUNK_DATA) {
                Range part = inside(wanted, in.readLong(), (long) length - 8);
                in.readFully(buffer, at + (int) (part.offset() - wanted.offset()), (int) part.length());
                missing.remove(part);
            } else if (type == CHUNK_HOLE && length == 12) {
                missing.remove(inside(wanted, in.readLong(), in.readInt() & 0xffffffffL));
            } else if ((type & CHUNK_ERROR_BIT) != 0) {
                error = true;
                readError(type, length, wanted, named);
            } else if (length != 0) {
                throw new IOException("the server sent a reply of the unknown kind " + type);
            }
            if (!last && in.readInt() != STRUCTURED_REPLY) {
                throw new IOException("the server broke off a reply");
            }
        }
        if (!error && missing.total() > 0) {
            throw new IOException("the server left out a part of what it was asked for, and named no error");
        }
        named.ranges().forEach(missing::add);
        return new ReadOutcome(missing.ranges(), named.ranges(), 0);
    }

    private void readError(int type, int length, Range wanted, RangeSet named) throws IOException {
        int number = in.readInt();
        int message = in.readUnsignedShort();
        int fixed = type == CHUNK_ERROR_OFFSET ? 14 : 6;
        if (message > LONGEST_MESSAGE || length < fixed + message || length - fixed - message > LONGEST_MESSAGE) {
            throw new IOException("the server sent a malformed error");
        }
        in.skipNBytes(message);
        if (type == CHUNK_ERROR_OFFSET) {
            Range place = inside(wanted, in.readLong(), 0);
            long sector = place.offset() / export.unit() * export.unit();
            named.add(new Range(sector, Math.min(export.unit(), wanted.end() - sector)));
        }
        in.skipNBytes(length - fixed - message);
        if (number == ESHUTDOWN) {
            throw new IOException("the server is shutting down");
        }
    }

    private static Range inside(Range wanted, long offset, long length) throws IOException {
        if (offset < wanted.offset()
                || length < 0
                || offset > wanted.end()
                || length > wanted.end() - offset
                || offset == wanted.end() && length == 0) {
            throw new IOException("the server answered with bytes that were not asked for");
        }
        return new Range(offset, length);
    }

    private void checkCookie() throws IOException {
        if (in.readLong() != cookie) {
            throw new IOException("the server answered to another request");
        }
    }

    /** Says good-bye, if it can still be said. */
    @Override
    public void close() throws IOException {
        try {
            out.writeInt(REQUEST);
            out.writeShort(0);
            out.writeShort(CMD_DISC);
            out.writeLong(++cookie);
            out.writeLong(0);
            out.writeInt(0);
            out.flush();
        } finally {
            socket.close();
        }
    }

    /** Without a word, when the link is broken. */
    void drop() throws IOException {
        socket.close();
    }
}
