package org.brantel.server.words;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/**
 * A process that reads words out of one file after another: for each it is sent the kind, the length and the bytes, and
 * answers with the outcome's name, the length of what is said in UTF-8, and that.
 */
public final class WordWorker {

    private WordWorker() {}

    /** Works until nothing more is sent. */
    public static void main(String[] none) throws IOException {
        PrintStream answers = System.out;
        // What libraries print is no answer.
        System.setOut(System.err);
        DataInputStream in = new DataInputStream(new BufferedInputStream(System.in));
        DataOutputStream out = new DataOutputStream(answers);
        try {
            while (true) {
                String kind = in.readUTF();
                byte[] content = in.readNBytes(in.readInt());
                WordsIn words = Extraction.of(kind, content);
                byte[] said = words.said().getBytes(StandardCharsets.UTF_8);
                out.writeUTF(words.outcome().name());
                out.writeInt(said.length);
                out.write(said);
                out.flush();
            }
        } catch (EOFException nothingMore) {
            out.flush();
        }
    }
}
