package org.brantel.core.bytes;

/**
 * Where a structure keeps a field. Who reads the structure and who shows it to people ask the same slots.
 *
 * @param at     from the structure's first byte
 * @param length in bytes
 */
public record Slot(int at, int length) {

    /** The same field of a structure that begins later in the bytes at hand. */
    public Slot from(int base) {
        return new Slot(base + at, length);
    }

    /**
     * Its unsigned little-endian value in the structure that begins at {@code base}; 8 bytes are taken as they are.
     * In halves, because a compiler puts only small methods where they are called, and this one is called for each
     * field of each record.
     */
    public long in(byte[] b, int base) {
        return length > 2 ? wide(b, base + at) : narrow(b, base + at);
    }

    private long narrow(byte[] b, int from) {
        return length == 2 ? LittleEndian.u16(b, from) : single(b, from);
    }

    private long single(byte[] b, int from) {
        return length == 1 ? LittleEndian.u8(b, from) : noNumber();
    }

    private long wide(byte[] b, int from) {
        return length == 4 ? LittleEndian.u32(b, from) : widest(b, from);
    }

    private long widest(byte[] b, int from) {
        return length == 8 ? LittleEndian.i64(b, from) : noNumber();
    }

    private long noNumber() {
        throw new IllegalStateException("a field of " + length + " bytes is no number");
    }

    /** The value of a field of one or two bytes. */
    public int intIn(byte[] b, int base) {
        return (int) in(b, base);
    }

    /** The first byte behind it. */
    public int end() {
        return at + length;
    }
}
