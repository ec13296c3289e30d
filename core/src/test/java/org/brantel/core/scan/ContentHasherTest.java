package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import org.brantel.core.content.Extent;
import org.brantel.core.content.FileContent;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ContentHasherTest {

    private final ContentHasher hasher = new ContentHasher();

    private OptionalLong sample(byte[] bytes) throws IOException {
        return hasher.sample(content(bytes, bytes.length));
    }

    private static FileContent content(byte[] bytes, long size) {
        return new FileContent(new FaultySource(bytes), List.of(new Extent(0, size)), size, null);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 511, 32 << 10, 32769, 65535, 64 << 10, 65537, 300_000})
    void aSampleSeesTheBeginningAndTheEnd(int size) throws IOException {
        byte[] bytes = new byte[size];
        new Random(size).nextBytes(bytes);
        OptionalLong whole = sample(bytes);
        assertThat(whole).isPresent();
        for (int at : new int[] {0, Math.min(size, 32 << 10) - 1, Math.max(0, size - (32 << 10)), size - 1}) {
            bytes[at] ^= 1;
            assertThat(sample(bytes)).as("byte %d of %d", at, size).isNotEqualTo(whole);
            bytes[at] ^= 1;
        }
        assertThat(hasher.hash(content(bytes, size))).contains(Hashes.sha256Hex(bytes, 0, size));
        if (size > 64 << 10) {
            bytes[size / 2] ^= 1;
            assertThat(sample(bytes)).as("the middle is left to the hash").isEqualTo(whole);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {100, 40_000, 200_000})
    void whatIsNotAllThereHasNeither(int size) throws IOException {
        assertThat(hasher.sample(content(new byte[size], size + 1L))).isEmpty();
        assertThat(hasher.hash(content(new byte[size], size + 1L))).isEmpty();
    }
}
