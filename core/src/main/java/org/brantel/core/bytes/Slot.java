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

    /** Its unsigned little-endian value in the structure that begins at {@code base}; 8 bytes are taken as they are. */
    public long in(byte[] b, int base) {
        return switch (length) {
            case 1 -> LittleEndian.u8(b, base + at);
            case 2 -> LittleEndian.u16(b, base + at);
            case 4 -> LittleEndian.u32(b, base + at);
            case 8 -> LittleEndian.i64(b, base + at);
            default -> throw new IllegalStateException("a field of " + length + " bytes is no number");
        };
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
