package org.brantel.core.filesystem;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.function.ToIntFunction;

/**
 * How a family's record of a file is shown to people.
 *
 * @param title  what it is called
 * @param most   bytes that are looked at
 * @param length how many of those bytes it takes
 * @param fields what they are
 */
public record RecordShape(
        String title, int most, ToIntFunction<byte[]> length, Function<byte[], List<RecordFields.Field>> fields) {

    /** Of a family that has nothing to say about it. */
    public static final RecordShape UNKNOWN = new RecordShape("Record", 64, b -> b.length, b -> List.of());

    /** One that always takes the same number of bytes. */
    public static RecordShape fixed(String title, int bytes, Function<byte[], List<RecordFields.Field>> fields) {
        return new RecordShape(title, bytes, b -> b.length, fields);
    }

    /** How many of the bytes at hand a record takes. */
    public int lengthOf(byte[] bytes) {
        return Math.min(bytes.length, length.applyAsInt(padded(bytes)));
    }

    /** The fields that lie in a record's bytes, of which the medium's end may have cut some. */
    public List<RecordFields.Field> fieldsOf(byte[] record) {
        return fields.apply(padded(record)).stream()
                .filter(f -> f.at() + f.length() <= record.length)
                .toList();
    }

    private byte[] padded(byte[] bytes) {
        return Arrays.copyOf(bytes, Math.max(bytes.length, most));
    }
}
