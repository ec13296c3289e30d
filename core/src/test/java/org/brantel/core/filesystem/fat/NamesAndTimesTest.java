package org.brantel.core.filesystem.fat;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class NamesAndTimesTest {

    private static byte[] entry(String name11) {
        byte[] b = new byte[32];
        System.arraycopy(name11.getBytes(StandardCharsets.ISO_8859_1), 0, b, 0, 11);
        b[11] = 0x20;
        return b;
    }

    private static DirectoryEntry parse(byte[] b) {
        return DirectoryEntry.parse(b, 0, 16, 0);
    }

    /** The parts of a long name as they stand before their short entry. */
    private static byte[][] parts(String longName, String short11, boolean deleted) {
        int sum = LongName.checksum(short11.getBytes(StandardCharsets.ISO_8859_1));
        int count = (longName.length() + 12) / 13;
        byte[][] parts = new byte[count][];
        for (int p = count; p >= 1; p--) {
            byte[] b = new byte[32];
            Arrays.fill(b, (byte) 0xff);
            b[0] = (byte) (deleted ? 0xe5 : p | (p == count ? 0x40 : 0));
            b[11] = 0x0f;
            b[12] = 0;
            b[13] = (byte) sum;
            b[26] = 0;
            b[27] = 0;
            int[] places = {1, 3, 5, 7, 9, 14, 16, 18, 20, 22, 24, 28, 30};
            for (int i = 0; i < 13; i++) {
                int at = (p - 1) * 13 + i;
                int c = at < longName.length() ? longName.charAt(at) : at == longName.length() ? 0 : 0xffff;
                b[places[i]] = (byte) c;
                b[places[i] + 1] = (byte) (c >> 8);
            }
            parts[count - p] = b;
        }
        return parts;
    }

    private static String nameOf(byte[][] parts, byte[] shortEntry) {
        LongName name = new LongName();
        for (byte[] part : parts) {
            name.add(part, 0);
        }
        return name.nameFor(parse(shortEntry));
    }

    @Test
    void longNamesOfAnyLengthAndScriptAreReadBack() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            StringBuilder name = new StringBuilder("x");
            for (int n = random.nextInt(120); n > 0; n--) {
                name.append((char) (random.nextBoolean() ? 'a' + random.nextInt(26) : 0x4e00 + random.nextInt(2000)));
            }
            name.append("\ud83c\udf0a".repeat(random.nextInt(3)));
            assertThat(nameOf(parts(name.toString(), "X~1     JPG", false), entry("X~1     JPG")))
                    .isEqualTo(name.toString());
        }
    }

    @Test
    void aLongNameWithAnotherShortNamesChecksumIsNotTaken() {
        assertThat(nameOf(parts("Somebody else.jpg", "OTHER   JPG", false), entry("MINE    JPG")))
                .isNull();
    }

    @Test
    void aMissingPartMakesNoName() {
        byte[][] parts = parts("A name of more than thirteen letters.jpg", "ANAME~1 JPG", false);
        assertThat(nameOf(Arrays.copyOfRange(parts, 1, parts.length), entry("ANAME~1 JPG")))
                .isNull();
        assertThat(nameOf(Arrays.copyOf(parts, parts.length - 1), entry("ANAME~1 JPG")))
                .isNull();
    }

    @Test
    void aDeletedLongNameGivesBackTheLostFirstLetter() {
        byte[] gone = entry("PLOTON~1JPG");
        gone[0] = (byte) 0xe5;
        assertThat(nameOf(parts("Plot one.jpg", "PLOTON~1JPG", true), gone)).isEqualTo("Plot one.jpg");
        assertThat(nameOf(parts("Quite another.jpg", "ZZZZZZ~1JPG", true), gone))
                .isNull();
    }

    private static byte[] dated(String name11, boolean gone, int day) {
        byte[] b = entry(name11);
        b[0] = gone ? (byte) 0xe5 : b[0];
        b[16] = (byte) (1 << 5 | day);
        b[17] = 46 << 1;
        return b;
    }

    /** What a folder gives as the last name of these entries. */
    private static String lastOf(byte[]... entries) {
        LongName names = new LongName();
        String last = null;
        for (byte[] b : entries) {
            if (b[11] == 0x0f) {
                names.add(b, 0);
            } else {
                last = names.nameFor(parse(b));
            }
        }
        return last;
    }

    @Test
    void aDeletedNameThatFillsItsPartsMayLackItsEnd() {
        byte[] first = parts("plan-00748.dat", "PLAN-0~1DAT", true)[1];
        byte[] younger = dated("BUOY    TXT", false, 9);
        byte[] gone = dated("PLAN-0~1DAT", true, 3);
        assertThat(lastOf(younger, first, gone))
                .as("its end is not the short name's")
                .isNull();
        byte[] cut = parts("plan-00748.text", "PLAN-0~1TEX", true)[1];
        assertThat(lastOf(younger, cut, dated("PLAN-0~1TEX", true, 3))).isNull();
        byte[] full = parts("plan-0748.dat", "PLAN-0~1DAT", true)[0];
        assertThat(lastOf(full, gone)).as("a folder's first entry").isEqualTo("plan-0748.dat");
        assertThat(lastOf(dated("BUOY    TXT", false, 2), full, gone)).isEqualTo("plan-0748.dat");
        assertThat(lastOf(dated("BUOY    TXT", true, 2), full, gone)).isEqualTo("plan-0748.dat");
        assertThat(lastOf(younger, full, gone))
                .as("under the younger entry may be more")
                .isNull();
        assertThat(lastOf(entry("BUOY    TXT"), full, gone))
                .as("nobody knows how old")
                .isNull();
        byte[] longer = parts("plan-0748.data", "PLAN-0~1DAT", true)[1];
        assertThat(lastOf(younger, longer, gone))
                .as("the extension is the same cut off")
                .isNull();
        byte[] label = entry("SKERROW    ");
        label[11] = 0x08;
        assertThat(lastOf(label, full, gone)).as("nothing lies under a label").isEqualTo("plan-0748.dat");
        byte[] numbered = parts("plan-0748.dat", "~31        ", true)[0];
        assertThat(lastOf(numbered, dated("~31        ", true, 3)))
                .as("names of numbers have no extension")
                .isEqualTo("plan-0748.dat");
    }

    @Test
    void onlyTheLastPartOfADeletedNameHoldsItsEnd() {
        byte[][] another = parts("Tide table of Skerrow", "TIDETA~1DAT", true);
        byte[] gone = entry("TIDETA~1DAT");
        gone[0] = (byte) 0xe5;
        byte[] end = parts("Tide.dat", "TIDETA~1DAT", true)[0];
        assertThat(lastOf(another[0], another[1], end, gone)).isEqualTo("Tide.dat");
    }

    @Test
    void aTildeAndANumberAreAShortNameToo() {
        byte[] gone = entry("~12        ");
        gone[0] = (byte) 0xe5;
        assertThat(nameOf(parts("plot two.jpg", "~12        ", true), gone)).isEqualTo("plot two.jpg");
        byte[] another = entry("~AB        ");
        another[0] = (byte) 0xe5;
        assertThat(nameOf(parts("plot two.jpg", "~AB        ", true), another)).isNull();
    }

    @Test
    void shortNamesFollowTheirCaseFlags() {
        byte[] b = entry("README  TXT");
        assertThat(parse(b).shortName()).isEqualTo("README.TXT");
        b[12] = 0x18;
        assertThat(parse(b).shortName()).isEqualTo("readme.txt");
        b[0] = (byte) 0xe5;
        assertThat(parse(b).shortName()).startsWith("_");
    }

    @Test
    void timesAreToTheSecondPairAndImpossibleOnesAreNone() {
        byte[] b = entry("A          ");
        b[22] = (byte) 0b1010_0001;
        b[23] = (byte) 0b0110_0101;
        b[24] = (byte) 0b0010_0111;
        b[25] = (byte) 0b0101_1000;
        assertThat(parse(b).times().modified()).isEqualTo(Instant.parse("2024-01-07T12:45:02Z"));
        b[24] = 0;
        b[25] = 0;
        assertThat(parse(b).times().modified()).isNull();
        b[24] = (byte) 0xff;
        b[25] = (byte) 0xff;
        assertThat(parse(b).times().modified()).isNull();
    }
}
