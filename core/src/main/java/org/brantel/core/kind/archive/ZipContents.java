package org.brantel.core.kind.archive;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * What a ZIP is, by the names and the type that it holds (ECMA-376 part 2, OASIS ODF 1.3 part 2, EPUB OCF), and what
 * its document says.
 */
final class ZipContents {

    private static final Map<String, String> BY_NAME = Map.of(
            "word/document.xml",
            "docx",
            "xl/workbook.xml",
            "xlsx",
            "ppt/presentation.xml",
            "pptx",
            "META-INF/MANIFEST.MF",
            "jar",
            "doc.kml",
            "kmz");
    private static final Map<String, String> BY_TYPE = Map.of(
            "application/vnd.oasis.opendocument.text",
            "odt",
            "application/vnd.oasis.opendocument.spreadsheet",
            "ods",
            "application/vnd.oasis.opendocument.presentation",
            "odp",
            "application/vnd.oasis.opendocument.graphics",
            "odg",
            "application/epub+zip",
            "epub");
    private static final Pattern TITLE = Pattern.compile("<dc:title[^>]*>([^<]{1,300})<");
    private static final Pattern AUTHOR = Pattern.compile("<(?:dc:creator|meta:initial-creator)[^>]*>([^<]{1,300})<");
    private static final Pattern PAGES = Pattern.compile("<Pages>(\\d{1,6})<|meta:page-count=\"(\\d{1,6})\"");
    private static final int MOST = 64 << 10;

    private String code = "zip";
    private boolean typed;
    private final ByteArrayOutputStream says = new ByteArrayOutputStream();

    /** What is known so far, to go on with. */
    ZipContents copy() {
        ZipContents copy = new ZipContents();
        copy.code = code;
        copy.typed = typed;
        copy.says.writeBytes(says.toByteArray());
        return copy;
    }

    String code() {
        return code;
    }

    About about() {
        String text = says.toString(StandardCharsets.UTF_8);
        Matcher pages = PAGES.matcher(text);
        return About.NONE
                .with(About.TITLE, first(TITLE, text))
                .with(About.AUTHOR, first(AUTHOR, text))
                .with(About.PAGES, pages.find() ? pages.group(1) != null ? pages.group(1) : pages.group(2) : null);
    }

    private static @Nullable String first(Pattern pattern, String text) {
        Matcher m = pattern.matcher(text);
        return m.find()
                ? m.group(1)
                        .replace("&amp;", "&")
                        .replace("&lt;", "<")
                        .replace("&gt;", ">")
                        .replace("&quot;", "\"")
                        .replace("&apos;", "'")
                : null;
    }

    private void named(String name) {
        String known = BY_NAME.get(name);
        if (known != null && !typed && (code.equals("zip") || code.equals("jar"))) {
            code = known;
        }
    }

    private static boolean speaks(String name) {
        return name.equals("docProps/core.xml")
                || name.equals("docProps/app.xml")
                || name.equals("meta.xml")
                || name.endsWith(".opf");
    }

    Deflated.Sink sink(String name) {
        named(name);
        return !speaks(name)
                ? Deflated.Sink.NONE
                : (bytes, length) -> says.write(bytes, 0, Math.min(length, Math.max(0, MOST - says.size())));
    }

    void stored(String name, ByteView content, long at, long length) throws IOException {
        named(name);
        if (name.equals("mimetype") && length < 200) {
            String known = BY_TYPE.get(Bytes.text(content, at, (int) length).strip());
            code = known == null ? code : known;
            typed = known != null;
        } else if (speaks(name)) {
            says.writeBytes(content.bytes(at, (int) Math.min(length, MOST)));
        }
    }
}
