package org.brantel.server.workers;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/**
 * What runs in a worker's process. It is sent one chore after another: its class, what is asked (each in modified UTF-8
 * with its length), the length of the content (4 bytes, big endian) and the content. It answers with a byte of
 * {@link Answer}, the length of what is answered and that.
 */
public final class WorkerMain {

    /** How a chore ended. */
    enum Answer {
        DONE,
        REFUSED,
        DAMAGED
    }

    /** Of a way of closing or packing, say, that is left out here. */
    private static final String MISSING = "a part that reads it is not there.";

    private WorkerMain() {}

    /** Works until nothing more is sent. */
    public static void main(String[] none) throws IOException, ReflectiveOperationException {
        Thread watch = new Thread(WorkerMain::endWithTheLab, "lab");
        watch.setDaemon(true);
        watch.start();
        PrintStream answers = System.out;
        // What libraries print is no answer.
        System.setOut(System.err);
        DataInputStream in = new DataInputStream(new BufferedInputStream(System.in));
        DataOutputStream out = new DataOutputStream(answers);
        try {
            while (true) {
                Chore chore = Class.forName(in.readUTF())
                        .asSubclass(Chore.class)
                        .getDeclaredConstructor()
                        .newInstance();
                String what = in.readUTF();
                byte[] content = in.readNBytes(in.readInt());
                try {
                    answer(out, Answer.DONE, chore.work(what, content));
                } catch (Chore.Refused e) {
                    answer(out, Answer.REFUSED, e.sentence().getBytes(StandardCharsets.UTF_8));
                } catch (LinkageError notHere) {
                    answer(out, Answer.REFUSED, MISSING.getBytes(StandardCharsets.UTF_8));
                } catch (IOException | RuntimeException damaged) {
                    answer(out, Answer.DAMAGED, String.valueOf(damaged).getBytes(StandardCharsets.UTF_8));
                }
            }
        } catch (EOFException nothingMore) {
            out.flush();
        }
    }

    /** Where the lab's own process is gone, nobody is left to end a chore that never comes to its end. */
    private static void endWithTheLab() {
        ProcessHandle.current().parent().ifPresent(lab -> lab.onExit().join());
        Runtime.getRuntime().halt(1);
    }

    private static void answer(DataOutputStream out, Answer how, byte[] what) throws IOException {
        out.writeByte(how.ordinal());
        out.writeInt(what.length);
        out.write(what);
        out.flush();
    }
}
