package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** The volume's blocks, with what the journal still has to bring in where the volume was not closed cleanly. */
final class Blocks {

    private static final int CHUNK = 128 << 10;
    private static final int CHUNKS = 64;

    private final Source source;
    private final Superblock sb;
    private Map<Long, Journal.Copy> pending = Map.of();
    private final Map<Long, byte[]> newer = new HashMap<>();
    private final Map<Long, byte[]> chunks = new LinkedHashMap<>(CHUNKS, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, byte[]> eldest) {
            return size() > CHUNKS;
        }
    };

    Blocks(Source source, Superblock sb) {
        this.source = source;
        this.sb = sb;
    }

    Source source() {
        return source;
    }

    Superblock superblock() {
        return sb;
    }

    /** @param copies for a block, the copy of its newer state */
    void overlay(Map<Long, Journal.Copy> copies) {
        pending = copies;
        chunks.clear();
    }

    /** From now on a block reads so. */
    void overlay(long block, byte[] bytes) {
        newer.put(block, bytes);
    }

    /** A block; null when it lies outside the volume or the medium, or was not read. */
    byte @Nullable [] read(long block) throws IOException {
        byte[] made = newer.get(block);
        if (made != null) {
            return made.clone();
        }
        Journal.Copy copy = pending.get(block);
        return copy == null ? readRaw(block) : Journal.restored(readRaw(copy.block()), copy);
    }

    /** The block in which its present bytes stand, which is one of the journal's where that is newer. */
    long standsIn(long block) {
        Journal.Copy copy = pending.get(block);
        return copy == null ? block : copy.block();
    }

    /** Whether these bytes of a block stand so in the journal alone. */
    boolean isNewer(long block, int at, int length) throws IOException {
        if (!newer.containsKey(block) && !pending.containsKey(block)) {
            return false;
        }
        byte[] now = read(block);
        byte[] onVolume = readRaw(block);
        return now != null && (onVolume == null || !Arrays.equals(now, at, at + length, onVolume, at, at + length));
    }

    boolean isFilling() {
        return source.isFilling();
    }

    /** See {@link Source#willNeed}. */
    void willNeed(long block, long count) throws IOException {
        if (count > 0 && sb.isBlock(block) && count <= sb.room().onMedium() - block) {
            source.willNeed(List.of(new Range(sb.offset(block), count * sb.blockBytes())));
        }
    }

    private byte @Nullable [] readRaw(long block) throws IOException {
        if (block < 0 || block >= sb.room().onMedium()) {
            return null;
        }
        int perChunk = Math.max(1, CHUNK / sb.blockBytes());
        long number = block / perChunk;
        long from = sb.offset(number * perChunk);
        int length = (int) Math.min((long) perChunk * sb.blockBytes(), source.size() - from);
        int at = (int) (block % perChunk) * sb.blockBytes();
        if (length < at + sb.blockBytes()) {
            return null;
        }
        byte[] chunk = chunks.get(number);
        if (chunk == null) {
            if (!source.knownUnread(new Range(from, length)).isEmpty()) {
                return readAlone(sb.offset(block));
            }
            chunk = new byte[length];
            if (!source.read(from, chunk, 0, length).isClean()) {
                return readAlone(sb.offset(block));
            }
            chunks.put(number, chunk);
        }
        byte[] bytes = new byte[sb.blockBytes()];
        System.arraycopy(chunk, at, bytes, 0, bytes.length);
        return bytes;
    }

    private byte @Nullable [] readAlone(long at) throws IOException {
        byte[] bytes = new byte[sb.blockBytes()];
        return source.read(at, bytes, 0, bytes.length).isClean() ? bytes : null;
    }
}
