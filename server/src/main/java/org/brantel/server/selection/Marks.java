package org.brantel.server.selection;

import java.util.BitSet;
import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.LongStream;

/** A set of lines by their numbers: a bit for each, in blocks of those that follow each other. */
public final class Marks {

    /** Lines of a block. A block stays within a row of the database, a million lines within some hundred rows. */
    public static final int BLOCK = 8192;

    private final TreeMap<Long, BitSet> blocks = new TreeMap<>();

    public static Marks of(Collection<Long> lines) {
        Marks marks = new Marks();
        lines.forEach(marks::add);
        return marks;
    }

    void put(long block, byte[] bits) {
        blocks.put(block, BitSet.valueOf(bits));
    }

    public void add(long line) {
        blocks.computeIfAbsent(line / BLOCK, b -> new BitSet(BLOCK)).set((int) (line % BLOCK));
    }

    public void remove(long line) {
        BitSet bits = blocks.get(line / BLOCK);
        if (bits != null) {
            bits.clear((int) (line % BLOCK));
        }
    }

    public boolean has(long line) {
        BitSet bits = blocks.get(line / BLOCK);
        return bits != null && bits.get((int) (line % BLOCK));
    }

    public long count() {
        return blocks.values().stream().mapToLong(BitSet::cardinality).sum();
    }

    public boolean isEmpty() {
        return blocks.values().stream().allMatch(BitSet::isEmpty);
    }

    /** What is here and not there. */
    public Marks without(Marks others) {
        Marks rest = new Marks();
        blocks.forEach((block, bits) -> {
            BitSet left = (BitSet) bits.clone();
            BitSet there = others.blocks.get(block);
            if (there != null) {
                left.andNot(there);
            }
            rest.blocks.put(block, left);
        });
        return rest;
    }

    /** What is here and there. */
    public Marks among(Marks others) {
        Marks both = new Marks();
        blocks.forEach((block, bits) -> {
            BitSet there = others.blocks.get(block);
            if (there != null) {
                BitSet left = (BitSet) bits.clone();
                left.and(there);
                both.blocks.put(block, left);
            }
        });
        return both;
    }

    /** What is in one of both, not in the other. */
    public Marks differing(Marks others) {
        Marks one = new Marks();
        blocks.forEach((block, bits) -> one.blocks.put(block, (BitSet) bits.clone()));
        others.blocks.forEach((block, bits) ->
                one.blocks.computeIfAbsent(block, b -> new BitSet(BLOCK)).xor(bits));
        return one;
    }

    /** By their numbers, the least first. */
    public LongStream lines() {
        return blocks.entrySet().stream()
                .flatMapToLong(e -> e.getValue().stream().mapToLong(i -> e.getKey() * BLOCK + i));
    }

    /** Blocks that hold anything, by their number: bit N % 8 of byte N / 8 is line N of the block. */
    public Map<Long, byte[]> blocks() {
        Map<Long, byte[]> all = new TreeMap<>();
        blocks.forEach((block, bits) -> {
            if (!bits.isEmpty()) {
                byte[] stored = new byte[BLOCK / 8];
                byte[] some = bits.toByteArray();
                System.arraycopy(some, 0, stored, 0, some.length);
                all.put(block, stored);
            }
        });
        return all;
    }
}
