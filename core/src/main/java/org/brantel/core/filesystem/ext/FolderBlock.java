package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * A block of a folder (EXT4 "Directory Entries").
 *
 * <pre>
 * offset size field
 *      0    4  inode; 0: none
 *      4    2  bytes to the next entry
 *      6    1  bytes of the name
 *      7    1  what it is: 1 file, 2 folder (upper half of the name's length on the oldest volumes)
 *      8       name
 * </pre>
 * An entry that is deleted is swallowed by the one before it: its bytes stay in the room that that one does not need.
 */
final class FolderBlock {

    /** Hears of entries. */
    interface Listener {
        /** @param live false for what only the slack still shows */
        void entry(long inode, int type, String name, boolean live);
    }

    /** What the platform puts in the place of bytes that are no character. */
    private static final char REPLACED = '\uFFFD';

    private static final int HEAD = 8;

    private FolderBlock() {}

    /**
     * @param hashed the folder is hashed: blocks without entries hold hashes, not slack
     * @return false when the entries do not add up to the block; what came before the fault was told
     */
    static boolean read(byte[] b, long inodes, boolean hashed, Listener listener) {
        int at = 0;
        while (at + HEAD <= b.length) {
            int length = u16(b, at + 4);
            if (length == 0 && b.length == 65536) {
                length = 65536;
            }
            if (length < HEAD || (length & 3) != 0 || at + length > b.length) {
                return false;
            }
            long inode = u32(b, at);
            int nameLength = u8(b, at + 6);
            int need = HEAD;
            if (inode != 0 && nameLength > 0) {
                if (HEAD + nameLength > length || inode > inodes) {
                    return false;
                }
                need = HEAD + nameLength + 3 & ~3;
                listener.entry(inode, u8(b, at + 7), name(b, at + HEAD, nameLength), true);
            }
            boolean hashes = hashed
                    && (inode == 0 && length == b.length || at + length == b.length && isDots(b, at, nameLength));
            if (!hashes) {
                slack(b, at + (inode == 0 ? 0 : need), at + length, inodes, listener);
            }
            at += length;
        }
        return at == b.length;
    }

    private static boolean isDots(byte[] b, int at, int nameLength) {
        return nameLength == 2 && b[at + HEAD] == '.' && b[at + HEAD + 1] == '.';
    }

    private static void slack(byte[] b, int from, int end, long inodes, Listener listener) {
        for (int at = from; at + HEAD + 1 <= end; ) {
            Optional<String> name = plausible(b, at, end, inodes);
            if (name.isPresent()) {
                listener.entry(u32(b, at), u8(b, at + 7), name.get(), false);
                at += HEAD + u8(b, at + 6) + 3 & ~3;
            } else {
                at += 4;
            }
        }
    }

    private static Optional<String> plausible(byte[] b, int at, int end, long inodes) {
        long inode = u32(b, at);
        int length = u16(b, at + 4);
        int nameLength = u8(b, at + 6);
        int type = u8(b, at + 7);
        boolean fits = inode > 0
                && inode <= inodes
                && nameLength > 0
                && at + HEAD + nameLength <= end
                && length >= HEAD + nameLength
                && (length & 3) == 0
                && at + length <= b.length
                && type <= 7;
        if (!fits) {
            return Optional.empty();
        }
        for (int i = 0; i < nameLength; i++) {
            int c = b[at + HEAD + i];
            if (c == 0 || c == '/') {
                return Optional.empty();
            }
        }
        String name = name(b, at + HEAD, nameLength);
        return name.equals(".") || name.equals("..") ? Optional.empty() : Optional.of(name);
    }

    /**
     * A name is bytes; most are UTF-8. What is not is shown byte by byte ({@code \\xE9}), so that two names that differ
     * stay two.
     */
    static String name(byte[] b, int at, int length) {
        String text = new String(b, at, length, StandardCharsets.UTF_8);
        return text.indexOf(REPLACED) < 0 ? text : byByte(b, at, length);
    }

    private static String byByte(byte[] b, int at, int length) {
        CharsetDecoder decoder = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
        ByteBuffer in = ByteBuffer.wrap(b, at, length);
        CharBuffer out = CharBuffer.allocate(length);
        StringBuilder name = new StringBuilder();
        while (in.hasRemaining()) {
            CoderResult result = decoder.reset().decode(in, out, true);
            name.append(out.flip());
            out.clear();
            for (int i = 0; result.isError() && i < result.length(); i++) {
                name.append(String.format("\\x%02X", in.get() & 0xff));
            }
        }
        return name.toString();
    }

    /** The folder that a first block says it is of: its first entry is {@code .}; 0 where it is none. */
    static long ownerOf(byte[] b) {
        boolean dot = u16(b, 4) == 12 && u8(b, 6) == 1 && b[HEAD] == '.';
        return dot ? u32(b, 0) : 0;
    }
}
