package org.brantel.core.carve;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;

/**
 * Content that was found.
 *
 * @param pieces where it is, in its own order
 * @param walk   what its kind says of it
 * @param doubts why it may not be what it seems; empty when nothing speaks against it
 * @param afresh whether it begins in the middle of what would be a line if it were a part of the text before it
 */
public record Hit(ContentKind kind, List<Range> pieces, ContentKind.Walk walk, List<String> doubts, boolean afresh) {

    public Hit {
        pieces = List.copyOf(pieces);
        doubts = List.copyOf(doubts);
    }

    public Hit(ContentKind kind, List<Range> pieces, ContentKind.Walk walk, List<String> doubts) {
        this(kind, pieces, walk, doubts, false);
    }

    /** With something else that speaks against it. */
    Hit doubted(String why) {
        return new Hit(
                kind,
                pieces,
                walk,
                Stream.concat(doubts.stream(), Stream.of(why)).toList(),
                afresh);
    }

    /** With bytes behind its own end, which only where they stand makes a part of it. */
    Hit longerBy(int more, String why) {
        List<Range> longer = new ArrayList<>(pieces);
        Range last = longer.remove(longer.size() - 1);
        longer.add(new Range(last.offset(), last.length() + more));
        return new Hit(kind, longer, walk.upTo(walk.length() + more), doubts, afresh).doubted(why);
    }

    /** Only what stands before a place in its first piece. */
    Hit cutAt(long place) {
        long length = place - start();
        return new Hit(kind, List.of(new Range(start(), length)), walk.upTo(length), doubts, afresh);
    }

    public String code() {
        return walk.code() == null ? kind.code() : walk.code();
    }

    public long start() {
        return pieces.get(0).offset();
    }

    /** Where the first piece ends. */
    long firstEnd() {
        return pieces.get(0).end();
    }

    /** Where the last piece ends. */
    long end() {
        return pieces.get(pieces.size() - 1).end();
    }
}
