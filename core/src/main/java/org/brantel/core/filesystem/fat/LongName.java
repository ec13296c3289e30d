package org.brantel.core.filesystem.fat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import org.jspecify.annotations.Nullable;

/**
 * Collects the parts of a long name, which stand before their short entry, last part first (FAT32S "FAT Long
 * Directory Entries").
 *
 * <pre>
 * offset size field
 *      0    1  part number from 1, | 40 on the last; E5 when deleted
 *      1   10  characters 1-5, UTF-16LE;  14  12  characters 6-11;  28  4  characters 12-13
 *     11    1  attributes, always 0F
 *     13    1  checksum of the short name
 * </pre>
 * The name ends at 0000; FFFF pads the rest.
 */
final class LongName {

    private static final int MAX_PARTS = 20;
    private static final int[][] CHARACTERS = {{1, 10}, {14, 12}, {28, 4}};

    private final Deque<byte[]> parts = new ArrayDeque<>();
    private int checksum = -1;
    private int nextNumber;
    private boolean deleted;

    void clear() {
        parts.clear();
        checksum = -1;
    }

    /** Takes a part; parts that do not belong together start anew. */
    void add(byte[] b, int at) {
        int number = b[at] & 0xff;
        int sum = b[at + 13] & 0xff;
        boolean isDeleted = number == DirectoryEntry.DELETED;
        boolean first = !isDeleted && (number & 0x40) != 0;
        boolean continues = !first
                && !parts.isEmpty()
                && sum == checksum
                && isDeleted == deleted
                && (isDeleted || (number & 0x3f) == nextNumber);
        if (!continues || parts.size() >= MAX_PARTS) {
            clear();
            if (!first && !isDeleted) {
                return;
            }
        }
        checksum = sum;
        deleted = isDeleted;
        nextNumber = (number & 0x3f) - 1;
        byte[] characters = new byte[26];
        int to = 0;
        for (int[] piece : CHARACTERS) {
            System.arraycopy(b, at + piece[0], characters, to, piece[1]);
            to += piece[1];
        }
        parts.addFirst(characters);
    }

    /** The long name of a short entry, or null when the parts are not its own. Empties the collection. */
    @Nullable
    String nameFor(DirectoryEntry entry) {
        try {
            if (parts.isEmpty() || deleted != entry.deleted() || !deleted && nextNumber != 0) {
                return null;
            }
            String name = text();
            if (name.isEmpty()) {
                return null;
            }
            return entry.deleted()
                    ? belongsToDeleted(entry, name) ? name : null
                    : checksum(entry.rawName()) == checksum ? name : null;
        } finally {
            clear();
        }
    }

    private String text() {
        byte[] all = new byte[parts.size() * 26];
        int at = 0;
        for (byte[] part : parts) {
            System.arraycopy(part, 0, all, at, 26);
            at += 26;
        }
        String text = new String(all, StandardCharsets.UTF_16LE);
        int end = text.indexOf('\0');
        return (end >= 0 ? text.substring(0, end) : text).replaceAll("\uffff+$", "");
    }

    /**
     * The short name lost its first byte. Whatever it was, the checksum tells: it must be one that this long name
     * could have been given, or the parts are another file's.
     */
    private boolean belongsToDeleted(DirectoryEntry entry, String name) {
        byte[] raw = entry.rawName().clone();
        for (int first = 1; first < 0x100; first++) {
            raw[0] = (byte) first;
            if (checksum(raw) == checksum) {
                int stripped = 0;
                while (stripped < name.length() - 1 && (name.charAt(stripped) == '.' || name.charAt(stripped) == ' ')) {
                    stripped++;
                }
                return first == Character.toUpperCase(name.charAt(stripped))
                        || first == '_'
                        || first == '~' && isNumber(raw)
                        || first >= 0x80
                        || name.charAt(stripped) >= 0x80;
            }
        }
        return false;
    }

    /** Some drivers give names that are nothing but a tilde and a number. */
    private static boolean isNumber(byte[] rawName) {
        return new String(rawName, 1, 10, StandardCharsets.ISO_8859_1).strip().matches("\\d+");
    }

    static int checksum(byte[] rawName) {
        int sum = 0;
        for (byte b : rawName) {
            sum = ((sum & 1) << 7 | sum >> 1) + (b & 0xff) & 0xff;
        }
        return sum;
    }
}
