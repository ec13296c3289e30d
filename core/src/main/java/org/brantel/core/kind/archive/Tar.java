package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * tar (POSIX.1-2001, ustar and pax): blocks of 512 bytes; a head has the size in octal at 124, the sum of its bytes,
 * with spaces for itself, at 148, "ustar" at 257. Two blocks of zeros end it; writers pad to 10,240 bytes.
 */
final class Tar implements ContentKind {

    private static final int BLOCK = 512;
    private static final int RECORD = 10_240;

    @Override
    public String code() {
        return "tar";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.at(257, "ustar"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long at = 0;
        int files = 0;
        Coverage coverage = new Coverage();
        Set<Long> members = new HashSet<>();
        while (true) {
            byte[] head = content.bytes(at, BLOCK);
            if (isZero(head)) {
                break;
            }
            long size = size(head);
            if (!isSound(head) || size < 0 || size > content.length() - at - BLOCK) {
                return Walk.broken(at, "a head's sum is wrong");
            }
            coverage.stretch(at, at + BLOCK);
            members.add(at + BLOCK);
            at += BLOCK + (size + BLOCK - 1) / BLOCK * BLOCK;
            files++;
        }
        if (files == 0) {
            return Walk.broken(0, "it holds nothing");
        }
        return Walk.fitting(end(content, at), "The sums of its " + files + " heads are right.")
                .proving(coverage.bytes())
                .holding(members::contains);
    }

    /**
     * Where the zeros end that close it: writers fill the last record; where zeros do not reach so far, it is the two
     * blocks that the standard asks for.
     */
    private static long end(ByteView content, long from) throws IOException {
        long padded = Math.min(content.length(), (from + 2 * BLOCK + RECORD - 1) / RECORD * RECORD);
        long zeros = from + BLOCK;
        while (zeros + BLOCK <= padded && isZero(content.bytes(zeros, BLOCK))) {
            zeros += BLOCK;
        }
        return zeros % RECORD == 0 ? zeros : Math.min(zeros, from + 2 * BLOCK);
    }

    private static boolean isZero(byte[] block) {
        for (byte b : block) {
            if (b != 0) {
                return false;
            }
        }
        return true;
    }

    private static boolean isSound(byte[] head) {
        int sum = 0;
        for (int i = 0; i < BLOCK; i++) {
            sum += i >= 148 && i < 156 ? ' ' : head[i] & 0xff;
        }
        return Bytes.match(head, 257, Bytes.latin("ustar")) && octal(head, 148, 8) == sum;
    }

    private static long size(byte[] head) {
        if ((head[124] & 0x80) != 0) {
            long value = 0;
            for (int i = 128; i < 136; i++) {
                value = value << 8 | head[i] & 0xff;
            }
            return value;
        }
        return octal(head, 124, 12);
    }

    private static long octal(byte[] head, int at, int length) {
        long value = 0;
        for (int i = at; i < at + length; i++) {
            if (head[i] >= '0' && head[i] <= '7') {
                value = value * 8 + head[i] - '0';
            } else if (head[i] != ' ' && head[i] != 0) {
                return -1;
            }
        }
        return value;
    }
}
