package org.brantel.core.kind.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * What a PDF's information dictionary (ISO 32000-1, section 14.3.3) and page tree say, where these stand in the open.
 */
final class PdfWords {

    private static final int NEAR = 32 << 10;
    private static final Pattern TITLE =
            Pattern.compile("/Title\\s*(?:\\(((?:[^()\\\\]|\\\\.){1,200})\\)|<([0-9A-Fa-f]{4,800})>)", Pattern.DOTALL);
    private static final Pattern AUTHOR =
            Pattern.compile("/Author\\s*(?:\\(((?:[^()\\\\]|\\\\.){1,200})\\)|<([0-9A-Fa-f]{4,800})>)", Pattern.DOTALL);
    private static final Pattern PAGES = Pattern.compile(
            "/Type\\s*/Pages\\b[^>]{0,2000}?/Count\\s+(\\d{1,6})|/Count\\s+(\\d{1,6})[^>]{0,2000}?/Type\\s*/Pages\\b");

    private PdfWords() {}

    static About of(ByteView content, long end) throws IOException {
        int head = (int) Math.min(end, NEAR);
        String near = Bytes.text(content, 0, head)
                + (end > head ? Bytes.text(content, Math.max(head, end - NEAR), (int) Math.min(NEAR, end - head)) : "");
        About about = About.NONE
                .with(About.TITLE, string(TITLE.matcher(near)))
                .with(About.AUTHOR, string(AUTHOR.matcher(near)));
        int most = 0;
        Matcher pages = PAGES.matcher(near);
        while (pages.find()) {
            most = Math.max(most, Integer.parseInt(pages.group(1) != null ? pages.group(1) : pages.group(2)));
        }
        return most == 0 ? about : about.with(About.PAGES, most);
    }

    private static @Nullable String string(Matcher found) {
        if (!found.find()) {
            return null;
        }
        byte[] bytes = found.group(1) != null
                ? unescaped(found.group(1))
                : HexFormat.of().parseHex(found.group(2).length() % 2 == 0 ? found.group(2) : found.group(2) + "0");
        boolean wide = bytes.length >= 2 && bytes[0] == (byte) 0xfe && bytes[1] == (byte) 0xff;
        return new String(bytes, wide ? StandardCharsets.UTF_16 : StandardCharsets.ISO_8859_1);
    }

    private static byte[] unescaped(String text) {
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\\' && i + 1 < text.length()) {
                char next = text.charAt(++i);
                if (next >= '0' && next <= '7') {
                    int n = 0;
                    int digits = 0;
                    while (digits < 3 && i < text.length() && text.charAt(i) >= '0' && text.charAt(i) <= '7') {
                        n = n * 8 + text.charAt(i++) - '0';
                        digits++;
                    }
                    i--;
                    plain.append((char) (n & 0xff));
                } else {
                    plain.append(next);
                }
            } else {
                plain.append(c);
            }
        }
        return plain.toString().getBytes(StandardCharsets.ISO_8859_1);
    }
}
