package org.brantel.server.proof;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.inside.Inside;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** Archives as lists of what they hold, databases as tables with counts. */
@Component
class ListShowing implements Showing {

    private static final String UNREAD = "Not all of what lists it was read from the device, so it cannot be listed.";

    private final FoundBytes bytes;

    ListShowing(FoundBytes bytes) {
        this.bytes = bytes;
    }

    @Override
    public boolean shows(String kind) {
        return Inside.lists(kind);
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        return bytes.with(line, content -> {
            try {
                List<Preview.Table> tables = Inside.of(line.finding().kind(), content).stream()
                        .map(t -> new Preview.Table(t.name(), t.rows(), t.heads(), t.cells()))
                        .toList();
                return tables.isEmpty()
                        ? Preview.none("It holds nothing that can be listed.")
                        : Preview.tables(
                                tables,
                                line.finding().kind().equals("sqlite")
                                        ? "The first rows of each table, and how many it has."
                                        : "As its own directory lists it; nothing of it was unpacked.");
            } catch (ByteView.Unread e) {
                return Preview.none(UNREAD);
            } catch (Inside.Locked e) {
                return Preview.none("A password closes even the list of what it holds.");
            } catch (IOException e) {
                return Preview.none("It cannot be listed: its content is damaged.");
            }
        });
    }
}
