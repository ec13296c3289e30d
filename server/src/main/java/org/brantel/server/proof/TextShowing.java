package org.brantel.server.proof;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.brantel.core.kinds.Kinds;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** Plain text, from its beginning. */
@Component
class TextShowing implements Showing {

    /** Shown as what they are. */
    private static final Set<String> OTHERWISE = Set.of("svg", "eml", "mbox");

    private static final int BYTES = 16 << 10;

    private final FoundBytes bytes;

    TextShowing(FoundBytes bytes) {
        this.bytes = bytes;
    }

    @Override
    public boolean shows(String kind) {
        return Kinds.isText(kind) && !OTHERWISE.contains(kind);
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        FoundBytes.Head head = bytes.head(line, BYTES);
        return Preview.text(text(head.bytes()), shown(line.finding().size(), head.bytes().length, head.unread()));
    }

    /** How much of a text is shown. */
    static String shown(long size, int shown, long unread) {
        String part = size > shown ? "The first " + shown + " of " + size + " bytes" : "All of it";
        return unread == 0 ? part + "." : part + "; " + unread + " bytes of that were never read.";
    }

    static String text(byte[] head) {
        for (int cut = 0; cut < 4 && cut < head.length; cut++) {
            try {
                return StandardCharsets.UTF_8
                        .newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .decode(ByteBuffer.wrap(head, 0, head.length - cut))
                        .toString();
            } catch (CharacterCodingException cutWithinACharacter) {
                // One byte less, then.
            }
        }
        return new String(head, StandardCharsets.ISO_8859_1);
    }
}
