package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.brantel.core.bytes.ByteView;

/**
 * The names in a tar, header by header (IEEE 1003.1 "ustar Interchange Format"): 0 name (100), 124 size in octal (12),
 * 136 time in octal seconds (12), 156 kind of entry (1), 257 "ustar" (6), 345 what stands before the name (155). Each
 * header and each content fills blocks of 512 bytes.
 */
final class TarNames {

    private static final int BLOCK = 512;

    private TarNames() {}

    static Inside.Table of(ByteView tar) throws IOException {
        FileList files = new FileList(List.of("name", "bytes", "changed (UTC)"));
        for (long at = 0; at + BLOCK <= tar.length() && !files.isFull(); ) {
            byte[] head = tar.bytes(at, BLOCK);
            if (head[0] == 0) {
                break;
            }
            long size = octal(head, 124, 12);
            boolean isFile = head[156] == 0 || head[156] == '0';
            if (isFile || head[156] == '5') {
                files.add(
                        Letters.shown(name(head)),
                        isFile ? Letters.count(size) : "folder",
                        Letters.time(Instant.ofEpochSecond(octal(head, 136, 12))));
            }
            long blocks = (size + BLOCK - 1) / BLOCK;
            if (blocks > tar.length() / BLOCK) {
                throw new IOException("an entry of the archive is longer than the archive");
            }
            at += BLOCK + blocks * BLOCK;
        }
        return files.table(!files.isFull());
    }

    private static String name(byte[] head) {
        String before = text(head, 257, 5).equals("ustar") ? text(head, 345, 155) : "";
        return (before.isEmpty() ? "" : before + "/") + text(head, 0, 100);
    }

    private static String text(byte[] head, int at, int most) {
        int end = at;
        while (end < at + most && head[end] != 0) {
            end++;
        }
        return new String(head, at, end - at, StandardCharsets.UTF_8);
    }

    /** @throws IOException for what is no number */
    private static long octal(byte[] head, int at, int most) throws IOException {
        String digits = text(head, at, most).strip();
        if (!digits.matches("[0-7]{0,11}")) {
            throw new IOException("a header of the archive has no number where one belongs");
        }
        return digits.isEmpty() ? 0 : Long.parseLong(digits, 8);
    }
}
