package org.brantel.core.filesystem.fat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
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
 * The name ends at 0000; FFFF pads the rest. A name of 13, 26 … characters has neither.
 */
final class LongName {

    private static final int MAX_PARTS = 20;
    private static final int CHARACTERS_OF_A_PART = 13;
    private static final int[][] CHARACTERS = {{1, 10}, {14, 12}, {28, 4}};

    private final Deque<String> parts = new ArrayDeque<>();
    private int checksum = -1;
    private int nextNumber;
    private boolean deleted;
    /** What stands right before the next part: the folder's start, a short entry, or neither. */
    private Before next = Before.START;

    /** What stands right before the parts at hand. */
    private Before before = Before.START;

    /**
     * What stands before a long name.
     *
     * @param known   that it is the folder's start, its label and its entries for itself included, or a short entry
     * @param entry   the short entry
     */
    private record Before(boolean known, @Nullable DirectoryEntry entry) {
        static final Before START = new Before(true, null);
        static final Before UNKNOWN = new Before(false, null);
    }

    /** An entry could not be read. */
    void gap() {
        forget();
        next = Before.UNKNOWN;
    }

    private void forget() {
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
        String characters = characters(b, at);
        // Of deleted parts the numbers are gone; but only the last part may hold the name's end.
        boolean holdsEnd = characters.indexOf('\0') >= 0;
        if (!continues || parts.size() >= MAX_PARTS || isDeleted && holdsEnd) {
            forget();
            before = next;
        }
        next = Before.UNKNOWN;
        if (parts.isEmpty() && !first && !isDeleted) {
            return;
        }
        checksum = sum;
        deleted = isDeleted;
        nextNumber = (number & 0x3f) - 1;
        parts.addFirst(characters);
    }

    private static String characters(byte[] b, int at) {
        StringBuilder characters = new StringBuilder(CHARACTERS_OF_A_PART);
        for (int[] piece : CHARACTERS) {
            // Each by itself: a pair of halves may stand in two pieces, or in two parts.
            for (int i = at + piece[0]; i < at + piece[0] + piece[1]; i += 2) {
                characters.append((char) (b[i] & 0xff | (b[i + 1] & 0xff) << 8));
            }
        }
        return characters.toString();
    }

    /** The long name of a short entry, or null when the parts are not its own or not all. Empties the collection. */
    @Nullable
    String nameFor(DirectoryEntry entry) {
        try {
            if (parts.isEmpty() || deleted != entry.deleted() || !deleted && nextNumber != 0) {
                return null;
            }
            String all = String.join("", parts);
            int end = all.indexOf('\0');
            String name = (end >= 0 ? all.substring(0, end) : all).replaceAll("\uffff+$", "");
            if (name.isEmpty()) {
                return null;
            }
            return entry.deleted()
                    ? belongsToDeleted(entry, name) && (end >= 0 || endsThere(entry, name)) ? name : null
                    : checksum(entry.rawName()) == checksum ? name : null;
        } finally {
            forget();
            boolean begins = entry.isDots() || entry.isLabel() && next.entry() == null && next.known();
            next = begins ? Before.START : new Before(true, entry);
        }
    }

    /**
     * Whether a deleted name that fills its parts ends with them. Its last part may lie under an entry that was written
     * since: then that entry is the younger one, or the name's end is not the one that the short name has.
     */
    private boolean endsThere(DirectoryEntry entry, String name) {
        if (!before.known() || !hasExtensionOf(entry, name)) {
            return false;
        }
        if (before.entry() == null) {
            return true;
        }
        Instant made = entry.times().created();
        Instant written = before.entry().times().created();
        return written != null && made != null && !written.isAfter(made);
    }

    /** A short name has the first three characters of the extension, where those can stand in a short name. */
    private static boolean hasExtensionOf(DirectoryEntry entry, String name) {
        int dot = name.lastIndexOf('.');
        String extension =
                dot < 1 ? "" : name.substring(dot + 1).replace(" ", "").toUpperCase(Locale.ROOT);
        String kept = new String(entry.rawName(), 8, 3, StandardCharsets.ISO_8859_1).stripTrailing();
        return kept.isEmpty() && isNumber(entry.rawName())
                || !extension.matches("[A-Z0-9]*")
                || extension.substring(0, Math.min(3, extension.length())).equals(kept);
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
