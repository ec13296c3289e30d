package org.brantel.core.source.nbd;

import static org.brantel.core.source.nbd.NbdProtocol.FIXED_NEWSTYLE;
import static org.brantel.core.source.nbd.NbdProtocol.IHAVEOPT;
import static org.brantel.core.source.nbd.NbdProtocol.INFO_BLOCK_SIZE;
import static org.brantel.core.source.nbd.NbdProtocol.INFO_DESCRIPTION;
import static org.brantel.core.source.nbd.NbdProtocol.INFO_EXPORT;
import static org.brantel.core.source.nbd.NbdProtocol.NBDMAGIC;
import static org.brantel.core.source.nbd.NbdProtocol.NO_ZEROES;
import static org.brantel.core.source.nbd.NbdProtocol.OPTION_REPLY;
import static org.brantel.core.source.nbd.NbdProtocol.OPT_ABORT;
import static org.brantel.core.source.nbd.NbdProtocol.OPT_GO;
import static org.brantel.core.source.nbd.NbdProtocol.OPT_LIST;
import static org.brantel.core.source.nbd.NbdProtocol.OPT_STRUCTURED_REPLY;
import static org.brantel.core.source.nbd.NbdProtocol.READ_ONLY;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ACK;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ERR_BLOCK_SIZE_REQD;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ERR_POLICY;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ERR_TLS_REQD;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ERR_UNKNOWN;
import static org.brantel.core.source.nbd.NbdProtocol.REP_ERR_UNSUP;
import static org.brantel.core.source.nbd.NbdProtocol.REP_INFO;
import static org.brantel.core.source.nbd.NbdProtocol.REP_SERVER;
import static org.brantel.core.source.nbd.NbdProtocol.USUAL_LARGEST;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.source.SourceException;

/** Agrees with a server on what is read, up to the transmission phase. */
final class NbdHandshake {

    private static final int CONNECT_MILLIS = 5000;
    private static final int ANSWER_MILLIS = 10_000;
    private static final int LONGEST_REPLY = 64 << 10;
    private static final int MOST_REPLIES = 10_000;
    private static final int SECTOR = 512;
    private static final int LARGEST_UNIT = 1 << 16;

    private record Reply(int type, ByteBuffer data) {}

    private final NbdAddress address;
    private final Socket socket = new Socket();
    private final DataInputStream in;
    private final DataOutputStream out;

    private NbdHandshake(NbdAddress address) throws IOException {
        this.address = address;
        try {
            socket.setTcpNoDelay(true);
            socket.connect(new InetSocketAddress(address.host(), address.port()), CONNECT_MILLIS);
            socket.setSoTimeout(ANSWER_MILLIS);
            in = new DataInputStream(new BufferedInputStream(socket.getInputStream(), 256 << 10));
            out = new DataOutputStream(new BufferedOutputStream(socket.getOutputStream()));
            greet();
        } catch (IOException e) {
            socket.close();
            throw e instanceof SourceException
                    ? e
                    : new SourceException(
                            "There is no export server at " + address.host() + ":" + address.port() + " (" + said(e)
                                    + "); is the bench box on, and does it export the drive?",
                            e);
        }
    }

    private static String said(IOException e) {
        return e.getMessage() == null ? "it hung up" : e.getMessage();
    }

    private void greet() throws IOException {
        if (in.readLong() != NBDMAGIC || in.readLong() != IHAVEOPT) {
            throw new SourceException("What answers at " + address.host() + ":" + address.port()
                    + " does not speak the NBD protocol's newstyle.");
        }
        int flags = in.readUnsignedShort();
        if ((flags & FIXED_NEWSTYLE) == 0) {
            throw new SourceException("The server at " + address.host() + ":" + address.port()
                    + " is too old: it lacks the fixed newstyle handshake.");
        }
        out.writeInt(flags & (FIXED_NEWSTYLE | NO_ZEROES));
    }

    /** Names and descriptions of what a server exports. */
    static List<NbdSource.Offer> exports(NbdAddress address) throws IOException {
        NbdHandshake talk = new NbdHandshake(address);
        try {
            talk.option(OPT_LIST, new byte[0]);
            List<NbdSource.Offer> offers = new ArrayList<>();
            for (Reply reply = talk.reply(OPT_LIST); reply.type() != REP_ACK; reply = talk.reply(OPT_LIST)) {
                if (reply.type() != REP_SERVER || offers.size() >= MOST_REPLIES) {
                    throw talk.refused(reply);
                }
                int length = reply.data().remaining() < 4 ? -1 : reply.data().getInt();
                if (length < 0 || length > reply.data().remaining()) {
                    throw new SourceException("The server at " + address.host() + ":" + address.port()
                            + " sent a malformed list of exports.");
                }
                byte[] name = new byte[length];
                reply.data().get(name);
                offers.add(new NbdSource.Offer(new String(name, StandardCharsets.UTF_8), text(reply.data())));
            }
            talk.option(OPT_ABORT, new byte[0]);
            return offers;
        } finally {
            talk.socket.close();
        }
    }

    /** @throws SourceException when the export cannot be had, in one sentence */
    static NbdLink open(NbdAddress address) throws IOException {
        NbdHandshake talk = new NbdHandshake(address);
        try {
            talk.option(OPT_STRUCTURED_REPLY, new byte[0]);
            int structured = talk.reply(OPT_STRUCTURED_REPLY).type();
            if (structured != REP_ACK && structured != REP_ERR_UNSUP && structured != REP_ERR_POLICY) {
                throw talk.refused(new Reply(structured, ByteBuffer.allocate(0)));
            }
            NbdExport export = talk.go();
            talk.socket.setSoTimeout(0);
            return new NbdLink(talk.socket, talk.in, talk.out, export);
        } catch (IOException | RuntimeException e) {
            talk.socket.close();
            throw e;
        }
    }

    private NbdExport go() throws IOException {
        byte[] name = address.name().getBytes(StandardCharsets.UTF_8);
        ByteBuffer asked = ByteBuffer.allocate(4 + name.length + 2 + 4);
        asked.putInt(name.length)
                .put(name)
                .putShort((short) 2)
                .putShort((short) INFO_DESCRIPTION)
                .putShort((short) INFO_BLOCK_SIZE);
        option(NbdProtocol.OPT_GO, asked.array());
        long size = 0;
        int flags = -1;
        String description = "";
        int unit = SECTOR;
        int largest = USUAL_LARGEST;
        for (Reply reply = reply(OPT_GO); reply.type() != REP_ACK; reply = reply(OPT_GO)) {
            if (reply.type() != REP_INFO || reply.data().remaining() < 2) {
                throw refused(reply);
            }
            ByteBuffer data = reply.data();
            int kind = data.getShort();
            if (kind == INFO_EXPORT && data.remaining() == 10) {
                size = data.getLong();
                flags = data.getShort() & 0xffff;
            } else if (kind == INFO_BLOCK_SIZE && data.remaining() == 12) {
                unit = data.getInt();
                data.getInt();
                largest = data.getInt();
            } else if (kind == INFO_DESCRIPTION) {
                description = text(data);
            }
        }
        if (flags < 0 || size <= 0) {
            throw new SourceException(address + " is empty (" + size + " bytes); there is nothing to read.");
        }
        if (unit < 1 || unit > LARGEST_UNIT || Integer.bitCount(unit) != 1 || largest > 0 && largest < unit) {
            throw new SourceException(
                    address + " asks for requests of " + unit + " to " + largest + " bytes, which makes no sense.");
        }
        unit = Math.max(unit, SECTOR);
        largest = largest <= 0 ? USUAL_LARGEST : Math.min(largest, USUAL_LARGEST);
        return new NbdExport(size, (flags & READ_ONLY) != 0, description, unit, Math.max(unit, largest / unit * unit));
    }

    private void option(int option, byte[] data) throws IOException {
        out.writeLong(IHAVEOPT);
        out.writeInt(option);
        out.writeInt(data.length);
        out.write(data);
        out.flush();
    }

    private Reply reply(int option) throws IOException {
        long magic = in.readLong();
        int to = in.readInt();
        int type = in.readInt();
        int length = in.readInt();
        if (magic != OPTION_REPLY || to != option || length < 0 || length > LONGEST_REPLY) {
            throw new SourceException("The server at " + address.host() + ":" + address.port()
                    + " answered with something that is no reply.");
        }
        return new Reply(type, ByteBuffer.wrap(in.readNBytes(length)));
    }

    private SourceException refused(Reply reply) {
        return new SourceException(
                switch (reply.type()) {
                    case REP_ERR_UNKNOWN ->
                        "The server at " + address.host() + ":" + address.port() + " exports nothing called '"
                                + address.name() + "'.";
                    case REP_ERR_TLS_REQD ->
                        address + " wants its link encrypted; take it through a tunnel (docs/imaging.md).";
                    case REP_ERR_POLICY ->
                        "The server at " + address.host() + ":" + address.port() + " does not allow that.";
                    case REP_ERR_BLOCK_SIZE_REQD -> address + " wants block sizes that it did not name.";
                    default ->
                        "The server at " + address.host() + ":" + address.port() + " refused"
                                + (reply.data().hasRemaining() ? ": " + text(reply.data()) : "") + ".";
                });
    }

    private static String text(ByteBuffer data) {
        byte[] rest = new byte[Math.min(data.remaining(), 4096)];
        data.get(rest);
        return new String(rest, StandardCharsets.UTF_8)
                .replaceAll("\\p{Cntrl}", " ")
                .strip();
    }
}
