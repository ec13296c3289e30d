package org.brantel.server.proof;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.words.Outcome;
import org.brantel.server.words.WordReading;
import org.brantel.server.words.WordsIn;
import org.springframework.stereotype.Component;

/** Office documents by their words, sheets by their cells (ECMA-376 part 1, OASIS ODF 1.3 part 3). */
@Component
class OfficeShowing implements Showing {

    private static final Set<String> WORDS = Set.of("docx", "docm", "odt", "pptx", "odp");
    private static final Set<String> SHEETS = Set.of("xlsx", "xlsm", "ods");
    /** Others are read for their words alone, by a worker. */
    private static final Set<String> OTHERS = Set.of("doc", "dot", "xls", "ppt", "pps", "rtf", "epub", "msg");

    private static final int MOST_LETTERS = 20_000;
    private static final int MOST_ROWS = 100;
    private static final int MOST_CELLS = 26;
    /** So many strings of a book are read; cells that use later ones are empty here. */
    private static final int MOST_STRINGS = 100_000;
    /** An archive that unpacks to more than this is not read on. */
    private static final long MOST_UNPACKED = 64L << 20;

    private final FoundBytes bytes;
    private final WordReading reading;
    private final XMLInputFactory xml = XMLInputFactory.newFactory();

    OfficeShowing(FoundBytes bytes, WordReading reading) {
        this.bytes = bytes;
        this.reading = reading;
        // Nothing is fetched, and nothing grows by being named.
        xml.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        xml.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    }

    @Override
    public boolean shows(String kind) {
        return WORDS.contains(kind) || SHEETS.contains(kind) || OTHERS.contains(kind);
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        if (line.finding().size() > FoundBytes.MOST) {
            return Preview.none("It is larger than what is shown (64 MiB).");
        }
        FoundBytes.Head head = bytes.head(line, FoundBytes.MOST);
        byte[] content = head.bytes();
        String kind = line.finding().kind();
        if (OTHERS.contains(kind) || !isZip(content)) {
            return said(reading.of(kind, content), head.unread());
        }
        try {
            return SHEETS.contains(kind) ? sheets(content) : words(content);
        } catch (XMLStreamException | ZipException | IllegalArgumentException e) {
            // It may be a password that closes it, and some of its words may be there.
            return said(reading.of(kind, content), head.unread());
        }
    }

    private static boolean isZip(byte[] content) {
        return content.length > 1 && content[0] == 'P' && content[1] == 'K';
    }

    private static Preview said(WordsIn words, long unread) {
        if (words.said().isEmpty()) {
            return Preview.none(words.outcome().sentence());
        }
        boolean all = words.said().length() <= MOST_LETTERS && words.outcome() == Outcome.READ;
        String how = unread > 0
                ? "The words that could be read, without their form; " + unread + " of its bytes were never read."
                : words.outcome() == Outcome.PARTLY
                        ? "The words that could be read, without their form; its content is damaged."
                        : all ? "All of its words, without their form." : "Its first words, without their form.";
        return Preview.text(words.said().substring(0, Math.min(words.said().length(), MOST_LETTERS)), how);
    }

    /** Takes a part of a document. */
    private interface Taking {
        void take(String name, XMLStreamReader part) throws XMLStreamException;
    }

    private void each(byte[] content, String names, Taking taking) throws IOException, XMLStreamException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(content))) {
            Bounded bounded = new Bounded(zip);
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                if (e.getName().matches(names)) {
                    taking.take(e.getName(), xml.createXMLStreamReader(bounded));
                }
            }
        }
    }

    /** Ends where an archive unpacks to more than anybody reads; closing it leaves the archive open. */
    private static final class Bounded extends InputStream {

        private final InputStream zip;
        private long left = MOST_UNPACKED;

        Bounded(InputStream zip) {
            this.zip = zip;
        }

        @Override
        public int read() throws IOException {
            return left-- > 0 ? zip.read() : -1;
        }

        @Override
        public int read(byte[] into, int at, int length) throws IOException {
            int most = (int) Math.min(left, length);
            int read = most <= 0 ? -1 : zip.read(into, at, most);
            left -= Math.max(0, read);
            return read;
        }
    }

    private Preview words(byte[] content) throws IOException, XMLStreamException {
        StringBuilder words = new StringBuilder();
        each(content, "word/document[.]xml|content[.]xml|ppt/slides/slide\\d+[.]xml", (name, part) -> {
            while (part.hasNext() && words.length() < MOST_LETTERS) {
                int event = part.next();
                if (event == XMLStreamConstants.CHARACTERS) {
                    words.append(part.getText());
                } else if (event == XMLStreamConstants.END_ELEMENT
                        && Set.of("p", "h", "br").contains(part.getLocalName())) {
                    words.append('\n');
                } else if (event == XMLStreamConstants.END_ELEMENT
                        && Set.of("tab", "tc").contains(part.getLocalName())) {
                    words.append('\t');
                }
            }
        });
        return words.toString().isBlank()
                ? Preview.none("There are no words in it.")
                : Preview.text(
                        words.substring(0, Math.min(words.length(), MOST_LETTERS))
                                .strip(),
                        words.length() < MOST_LETTERS ? "All of its words." : "Its first words.");
    }

    private Preview sheets(byte[] content) throws IOException, XMLStreamException {
        List<String> strings = new ArrayList<>();
        Map<String, Rows> sheets = new LinkedHashMap<>();
        each(content, "xl/sharedStrings[.]xml", (name, part) -> strings(part, strings));
        each(
                content,
                "xl/worksheets/sheet\\d+[.]xml",
                (name, part) -> sheets.put("Sheet " + name.replaceAll("\\D", ""), cells(part, strings)));
        each(content, "content[.]xml", (name, part) -> tables(part, sheets));
        List<Preview.Table> tables = sheets.entrySet().stream()
                .map(s -> s.getValue().table(s.getKey()))
                .toList();
        return tables.isEmpty()
                ? Preview.none("There are no cells in it.")
                : Preview.tables(tables, "Values of its cells, without their form.");
    }

    private static final class Rows {
        private final List<List<String>> shown = new ArrayList<>();
        private List<String> row = new ArrayList<>();
        private long count;

        private void cell(String value) {
            if (row.size() < MOST_CELLS) {
                row.add(value.length() > 200 ? value.substring(0, 200) + "…" : value);
            }
        }

        private void end() {
            count++;
            if (shown.size() < MOST_ROWS) {
                shown.add(row);
            }
            row = new ArrayList<>();
        }

        private Preview.Table table(String name) {
            int columns = shown.stream().mapToInt(List::size).max().orElse(0);
            List<String> heads = new ArrayList<>();
            for (char c = 'A'; c < 'A' + columns; c++) {
                heads.add(String.valueOf(c));
            }
            return new Preview.Table(name, count, heads, shown);
        }
    }

    private static void strings(XMLStreamReader part, List<String> into) throws XMLStreamException {
        StringBuilder one = new StringBuilder();
        while (part.hasNext() && into.size() < MOST_STRINGS) {
            int event = part.next();
            if (event == XMLStreamConstants.CHARACTERS) {
                one.append(part.getText());
            } else if (event == XMLStreamConstants.END_ELEMENT
                    && part.getLocalName().equals("si")) {
                into.add(one.toString());
                one.setLength(0);
            }
        }
    }

    private static Rows cells(XMLStreamReader part, List<String> strings) throws XMLStreamException {
        Rows rows = new Rows();
        String type = "";
        StringBuilder value = new StringBuilder();
        while (part.hasNext()) {
            int event = part.next();
            if (event == XMLStreamConstants.START_ELEMENT && part.getLocalName().equals("c")) {
                String said = part.getAttributeValue(null, "t");
                type = said == null ? "" : said;
                value.setLength(0);
            } else if (event == XMLStreamConstants.START_ELEMENT
                    && part.getLocalName().equals("f")) {
                // A cell shows what a formula came to.
                part.getElementText();
            } else if (event == XMLStreamConstants.CHARACTERS) {
                value.append(part.getText());
            } else if (event == XMLStreamConstants.END_ELEMENT
                    && part.getLocalName().equals("c")) {
                String text = value.toString().strip();
                int n = type.equals("s") && text.matches("\\d{1,6}") ? Integer.parseInt(text) : -1;
                rows.cell(n < 0 ? text : n < strings.size() ? strings.get(n) : "");
            } else if (event == XMLStreamConstants.END_ELEMENT
                    && part.getLocalName().equals("row")) {
                rows.end();
            }
        }
        return rows;
    }

    private static void tables(XMLStreamReader part, Map<String, Rows> into) throws XMLStreamException {
        Rows rows = new Rows();
        StringBuilder value = new StringBuilder();
        while (part.hasNext()) {
            int event = part.next();
            String name = event == XMLStreamConstants.START_ELEMENT || event == XMLStreamConstants.END_ELEMENT
                    ? part.getLocalName()
                    : "";
            if (event == XMLStreamConstants.START_ELEMENT && name.equals("table")) {
                rows = new Rows();
                into.put("Sheet " + (into.size() + 1), rows);
            } else if (event == XMLStreamConstants.START_ELEMENT && name.equals("table-cell")) {
                value.setLength(0);
            } else if (event == XMLStreamConstants.CHARACTERS) {
                value.append(part.getText());
            } else if (event == XMLStreamConstants.END_ELEMENT && name.equals("table-cell")) {
                rows.cell(value.toString().strip());
            } else if (event == XMLStreamConstants.END_ELEMENT && name.equals("table-row")) {
                rows.end();
            }
        }
    }
}
