package org.brantel.core.content;

import java.util.ArrayList;
import java.util.List;

/** Collects extents in file order; what continues the one before is joined to it. */
public final class Extents {

    private final List<Extent> all = new ArrayList<>();
    private long length;

    public Extents add(long offset, long bytes) {
        if (bytes <= 0) {
            return this;
        }
        Extent last = all.isEmpty() ? null : all.get(all.size() - 1);
        if (last != null
                && (offset == Extent.HOLE
                        ? last.isHole()
                        : !last.isHole() && last.offset() + last.length() == offset)) {
            all.set(all.size() - 1, new Extent(last.offset(), last.length() + bytes));
        } else {
            all.add(new Extent(offset, bytes));
        }
        length += bytes;
        return this;
    }

    public long length() {
        return length;
    }

    public List<Extent> list() {
        return List.copyOf(all);
    }

    /** Bytes that the extents hold, holes included. */
    public static long length(List<Extent> extents) {
        long length = 0;
        for (Extent e : extents) {
            length += e.length();
        }
        return length;
    }

    /** The first bytes of the content. */
    public static List<Extent> cut(List<Extent> extents, long size) {
        if (extents.size() == 1) {
            return size <= 0 ? List.of() : List.of(extents.get(0).cutTo(size));
        }
        Extents cut = new Extents();
        for (Extent e : extents) {
            cut.add(e.offset(), Math.min(e.length(), size - cut.length()));
        }
        return cut.list();
    }

    /**
     * What is stored, without holes and no more than {@code most} bytes: a record may claim more than any medium holds.
     */
    public static List<Extent> stored(List<Extent> extents, long most) {
        Extents stored = new Extents();
        for (Extent e : extents) {
            if (!e.isHole()) {
                stored.add(e.offset(), Math.min(e.length(), most - stored.length()));
            }
        }
        return stored.list();
    }

    /** A stretch of the content; shorter where the extents end. */
    public static List<Extent> slice(List<Extent> extents, long from, long length) {
        if (extents.size() == 1 && !extents.get(0).isHole()) {
            long there = Math.min(length, extents.get(0).length() - from);
            return there <= 0 ? List.of() : List.of(new Extent(extents.get(0).offset() + from, there));
        }
        Extents slice = new Extents();
        long at = 0;
        for (Extent e : extents) {
            long start = Math.max(from, at);
            long end = Math.min(from + length, at + e.length());
            if (end > start) {
                slice.add(e.isHole() ? Extent.HOLE : e.offset() + start - at, end - start);
            }
            at += e.length();
            if (at >= from + length) {
                break;
            }
        }
        return slice.list();
    }

    /** Everything after {@code stored} bytes reads as zeros, as it was never written: up to {@code size}. */
    public static List<Extent> withUnwrittenTail(List<Extent> extents, long stored, long size) {
        if (stored >= size) {
            return cut(extents, size);
        }
        Extents all = new Extents();
        cut(extents, stored).forEach(e -> all.add(e.offset(), e.length()));
        if (all.length() == stored) {
            all.add(Extent.HOLE, size - stored);
        }
        return all.list();
    }
}
