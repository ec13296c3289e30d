package org.brantel.core.testing;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Answers an NBD client with what a test dictates, sound or not: real servers do not name the place of an error, and do
 * not lie. Written from the protocol document, apart from the client.
 */
public final class ScriptedNbdServer implements AutoCloseable {

    /** What a request is answered with, from the reply's magic number on. */
    public interface Answer {
        byte[] to(long cookie, long offset, int length) throws IOException;
    }

    private final ServerSocket listener = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
    private final Answer answer;
    private volatile long size;
    private volatile byte[] greeting;
    private final AtomicInteger connections = new AtomicInteger();

    public ScriptedNbdServer(long size, Answer answer) throws IOException {
        this.size = size;
        this.answer = answer;
        Thread thread = new Thread(this::serve, "scripted export server");
        thread.setDaemon(true);
        thread.start();
    }

    public String address() {
        return "nbd://127.0.0.1:" + listener.getLocalPort() + "/x";
    }

    /** Sends this in place of the handshake. */
    public ScriptedNbdServer greetsWith(byte[] bytes) {
        greeting = bytes;
        return this;
    }

    /** From the next connection on. */
    public void size(long is) {
        size = is;
    }

    public int connections() {
        return connections.get();
    }

    private void serve() {
        while (!listener.isClosed()) {
            try (Socket socket = listener.accept()) {
                connections.incrementAndGet();
                talk(new DataInputStream(socket.getInputStream()), new DataOutputStream(socket.getOutputStream()));
            } catch (IOException e) {
                // The client left, or the test is over.
            }
        }
    }

    private void talk(DataInputStream in, DataOutputStream out) throws IOException {
        if (greeting != null) {
            out.write(greeting);
            in.read();
            return;
        }
        out.writeBytes("NBDMAGICIHAVEOPT");
        out.writeShort(3);
        in.readInt();
        for (int option = 0; option != 7; ) {
            in.readLong();
            option = in.readInt();
            in.skipNBytes(in.readInt());
            if (option == 7) {
                reply(
                        out,
                        option,
                        3,
                        ByteBuffer.allocate(12)
                                .putShort((short) 0)
                                .putLong(size)
                                .putShort((short) 3)
                                .array());
            }
            reply(out, option, 1, new byte[0]);
        }
        while (true) {
            in.readInt();
            in.readShort();
            if (in.readShort() != 0) {
                return;
            }
            long cookie = in.readLong();
            long offset = in.readLong();
            byte[] said = answer.to(cookie, offset, in.readInt());
            if (said == null) {
                return;
            }
            out.write(said);
        }
    }

    private static void reply(DataOutputStream out, int option, int type, byte[] data) throws IOException {
        out.writeLong(0x3e889045565a9L);
        out.writeInt(option);
        out.writeInt(type);
        out.writeInt(data.length);
        out.write(data);
    }

    /** A structured reply's chunk. */
    public static byte[] chunk(boolean last, int type, long cookie, byte[] payload) {
        return ByteBuffer.allocate(20 + payload.length)
                .putInt(0x668e33ef)
                .putShort((short) (last ? 1 : 0))
                .putShort((short) type)
                .putLong(cookie)
                .putInt(payload.length)
                .put(payload)
                .array();
    }

    /** Bytes at a place, as a chunk's payload. */
    public static byte[] data(long offset, byte[] bytes) {
        return ByteBuffer.allocate(8 + bytes.length).putLong(offset).put(bytes).array();
    }

    /** An error with its place, as a chunk's payload. */
    public static byte[] errorAt(int number, String message, long offset) {
        return ByteBuffer.allocate(14 + message.length())
                .putInt(number)
                .putShort((short) message.length())
                .put(message.getBytes(StandardCharsets.US_ASCII))
                .putLong(offset)
                .array();
    }

    public static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }

    @Override
    public void close() throws IOException {
        listener.close();
    }
}
