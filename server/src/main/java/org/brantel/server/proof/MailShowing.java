package org.brantel.server.proof;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import org.brantel.server.catalogue.Catalogues;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A mail as who wrote to whom, its words, and what hangs on it. */
@Component
class MailShowing implements Showing {

    private static final int BYTES = 8 << 20;
    private static final int MOST_LETTERS = 20_000;
    private static final int DEEPEST = 10;
    private static final int MOST_PARTS = 100;

    private final FoundBytes bytes;

    MailShowing(FoundBytes bytes) {
        this.bytes = bytes;
    }

    @Override
    public boolean shows(String kind) {
        return kind.equals("eml");
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        FoundBytes.Head head = bytes.head(line, BYTES);
        try {
            MimeMessage mail =
                    new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(head.bytes()));
            StringBuilder text = new StringBuilder();
            for (String name : List.of("From", "To", "Date", "Subject")) {
                String said = mail.getHeader(name, ", ");
                if (said != null) {
                    text.append(name).append(": ").append(decoded(said)).append('\n');
                }
            }
            List<String> attached = new ArrayList<>();
            String words = words(mail, 0, attached);
            text.append('\n').append(words == null ? "" : words.strip());
            attached.forEach(a -> text.append("\n\nattached: ").append(a));
            return Preview.text(
                    text.substring(0, Math.min(text.length(), MOST_LETTERS)),
                    TextShowing.shown(line.finding().size(), head.bytes().length, head.unread()));
        } catch (MessagingException e) {
            return Preview.text(
                    TextShowing.text(head.bytes()).substring(0, Math.min(head.bytes().length, MOST_LETTERS)),
                    "It is damaged as a mail; these are its letters.");
        }
    }

    private static String decoded(String said) throws IOException {
        return MimeUtility.decodeText(MimeUtility.unfold(said));
    }

    /** The first plain words in it; null where there are none. */
    private static @Nullable String words(Part part, int depth, List<String> attached)
            throws IOException, MessagingException {
        if (depth > DEEPEST || attached.size() > MOST_PARTS) {
            return null;
        }
        if (part.isMimeType("multipart/*") && part.getContent() instanceof Multipart parts) {
            String words = null;
            for (int i = 0; i < Math.min(MOST_PARTS, parts.getCount()); i++) {
                BodyPart one = parts.getBodyPart(i);
                String said = words(one, depth + 1, attached);
                words = words == null ? said : words;
            }
            return words;
        }
        if (part.getFileName() != null || Part.ATTACHMENT.equalsIgnoreCase(part.getDisposition())) {
            attached.add(decoded(part.getFileName() == null ? part.getContentType() : part.getFileName()));
            return null;
        }
        if (part.isMimeType("text/plain") && part.getContent() instanceof String s) {
            return s;
        }
        // Marked-up words without what marks them up, and without anything that they would fetch.
        return part.isMimeType("text/html") && part.getContent() instanceof String s
                ? s.replaceAll("(?is)<(script|style)\\b.*?</\\1>|<[^>]{0,2000}>", " ")
                        .replaceAll("[ \\t]+", " ")
                : null;
    }
}
