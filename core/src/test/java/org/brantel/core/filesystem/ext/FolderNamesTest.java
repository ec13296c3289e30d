package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class FolderNamesTest {

    private static String name(int... bytes) {
        byte[] b = new byte[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            b[i] = (byte) bytes[i];
        }
        return FolderBlock.name(b, 0, b.length);
    }

    @Test
    void namesInUtf8AreThemselves() {
        byte[] harbour = "höfn 港.txt".getBytes(StandardCharsets.UTF_8);
        assertThat(FolderBlock.name(harbour, 0, harbour.length)).isEqualTo("höfn 港.txt");
        assertThat(FolderBlock.name(harbour, 0, 0)).isEmpty();
    }

    @Test
    void otherBytesAreShownSoThatTwoNamesStayTwo() {
        assertThat(name('c', 'a', 'f', 0xe9, '.', 't', 'x', 't')).isEqualTo("caf\\xE9.txt");
        assertThat(name('c', 'a', 'f', 0xe8)).isEqualTo("caf\\xE8").isNotEqualTo(name('c', 'a', 'f', 0xe9));
        assertThat(name(0xc3, 0xb6, 0xff, 0xc3)).isEqualTo("ö\\xFF\\xC3");
    }
}
