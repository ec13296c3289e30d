package org.brantel.server.proof;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetHeaders;
import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.inside.Letters;
import org.brantel.core.inside.Mailbox;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** A mailbox as the list of its messages: who wrote, when, and about what. */
@Component
class MailboxShowing implements Showing {

    private static final List<String> HEADS = List.of("From", "Date", "Subject");

    private final FoundBytes bytes;

    MailboxShowing(FoundBytes bytes) {
        this.bytes = bytes;
    }

    @Override
    public boolean shows(String kind) {
        return kind.equals("mbox");
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        return bytes.with(line, content -> {
            try {
                Mailbox.Messages messages = Mailbox.of(content);
                List<List<String>> cells = new ArrayList<>();
                for (byte[] head : messages.heads()) {
                    cells.add(fields(head));
                }
                return Preview.tables(
                        List.of(new Preview.Table("Messages", messages.count(), HEADS, cells)),
                        "Its messages in the order in which they stand.");
            } catch (ByteView.Unread e) {
                return Preview.none("Not all of what it lists was read from the device, so it cannot be listed.");
            } catch (IOException | MessagingException e) {
                return Preview.none("It cannot be listed: its content is damaged.");
            }
        });
    }

    private static List<String> fields(byte[] head) throws IOException, MessagingException {
        InternetHeaders fields = new InternetHeaders(new ByteArrayInputStream(head));
        List<String> row = new ArrayList<>();
        for (String name : HEADS) {
            String said = Optional.ofNullable(fields.getHeader(name, ", ")).orElse("");
            row.add(Letters.shown(MimeUtility.decodeText(MimeUtility.unfold(said))));
        }
        return row;
    }
}
