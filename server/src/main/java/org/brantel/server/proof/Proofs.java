package org.brantel.server.proof;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** Finds who shows a kind of content. */
@Component
class Proofs {

    private static final int BYTES = 512;
    private static final int LINE = 16;

    private final List<Showing> showings;
    private final FoundBytes bytes;

    Proofs(List<Showing> showings, FoundBytes bytes) {
        this.showings = showings;
        this.bytes = bytes;
    }

    Preview of(Catalogues.Selected line) throws IOException {
        return shown(line).with(bytes.unread(line));
    }

    private Preview shown(Catalogues.Selected line) throws IOException {
        String kind = line.finding().kind();
        for (Showing s : showings) {
            if (s.shows(kind)) {
                return s.of(line);
            }
        }
        FoundBytes.Head head = bytes.head(line, BYTES);
        return Preview.text(
                hex(head.bytes()),
                "What is " + kind + " is shown byte by byte: the first " + head.bytes().length + " of "
                        + line.finding().size() + " bytes"
                        + (head.unread() == 0 ? "." : "; " + head.unread() + " of them were never read."));
    }

    /** Sixteen bytes a line: where they stand, what they are, and what they are as letters. */
    static String hex(byte[] bytes) {
        StringBuilder lines = new StringBuilder();
        for (int at = 0; at < bytes.length; at += LINE) {
            lines.append(String.format(Locale.ROOT, "%06x ", at));
            StringBuilder letters = new StringBuilder("  ");
            for (int i = at; i < at + LINE; i++) {
                lines.append(i < bytes.length ? String.format(Locale.ROOT, " %02x", bytes[i]) : "   ");
                if (i < bytes.length) {
                    letters.append(bytes[i] >= ' ' && bytes[i] < 127 ? (char) bytes[i] : '·');
                }
            }
            lines.append(letters).append('\n');
        }
        return lines.toString();
    }
}
