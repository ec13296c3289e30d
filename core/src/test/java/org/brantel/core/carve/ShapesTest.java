package org.brantel.core.carve;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Content as programs of many hands write it: where it ends, what belongs to it, and what only looks like an end. */
class ShapesTest {

    private static final Map<String, byte[]> SAMPLES = KindSamples.all();
    /** Kinds whose samples carry a check for hardly any byte: noise in them is noticed by nobody. */
    private static final Set<String> HARDLY_PROVEN =
            Set.of("aiff", "bmp", "doc", "heic", "iso", "psd", "tar", "tiff", "webp");

    private static final int PLACE = 8 * 4096;

    /** What a scan finds of content that stands at a cluster's edge, zeros up to its last sector's end. */
    private static List<Hit> found(byte[] content, byte... behind) throws IOException {
        byte[] disk = new byte[PLACE + (content.length + behind.length + (64 << 10)) / 4096 * 4096];
        System.arraycopy(content, 0, disk, PLACE, content.length);
        System.arraycopy(behind, 0, disk, PLACE + content.length, behind.length);
        List<Hit> hits = new ArrayList<>();
        KindsTest.carve(
                new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, false, 512)),
                disk.length,
                hits);
        return hits;
    }

    private static void isWhole(byte[] content, String code) throws IOException {
        List<Hit> hits = found(content);
        assertThat(hits).as("%s", hits).hasSize(1);
        assertThat(hits.get(0).code()).isEqualTo(code);
        assertThat(hits.get(0).walk().length()).as("%s", hits).isEqualTo(content.length);
        assertThat(hits.get(0).walk().whole() && hits.get(0).doubts().isEmpty())
                .as("%s", hits)
                .isTrue();
    }

    private static byte[] latin(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"xz", "bz2", "zst", "gz"})
    void streamsInARowAreOneFile(String code) throws IOException {
        byte[] one = SAMPLES.get(code);
        isWhole(joined(one, one, one), code);
    }

    @Test
    void streamsMayHaveFillingBetweenThem() throws IOException {
        byte[] xz = SAMPLES.get("xz");
        isWhole(joined(xz, new byte[8], xz), "xz");
        byte[] skipped = ByteBuffer.allocate(12)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(0x184d2a53)
                .putInt(4)
                .array();
        isWhole(joined(SAMPLES.get("zst"), skipped, SAMPLES.get("zst")), "zst");
    }

    @Test
    void membersOfAnArchiveArePartsOfIt() throws IOException {
        byte[] member = KindSamples.tar("weights.gz", SAMPLES.get("gz"));
        byte[] picture = KindSamples.tar("stack.png", KindSamples.written("png"));
        byte[] tar = joined(member, picture, member, new byte[1024]);
        isWhole(Arrays.copyOf(tar, (tar.length + 10_239) / 10_240 * 10_240), "tar");
    }

    @Test
    void anArchiveWithoutFillingEndsAtItsTwoBlocks() throws IOException {
        byte[] tar = joined(KindSamples.tar("log.txt", latin("calm\n")), new byte[1024]);
        byte[] behind = new byte[4096 - tar.length % 4096 + 1];
        behind[behind.length - 1] = 'x';
        List<Hit> hits = found(tar, behind);
        assertThat(hits.get(0).walk().length()).isEqualTo(tar.length);
    }

    @Test
    void linesOfValuesAreOneFile() throws IOException {
        String line = "{\"buoy\": 7, \"waves\": [1.2, 0.9]}\n";
        isWhole(latin(line.repeat(40)), "json");
    }

    @Test
    void calendarsMayHaveBlankLinesBetweenThem() throws IOException {
        String one =
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nSUMMARY:Ferry\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        isWhole(latin(one + "\r\n" + one + "\r\n\r\n" + one), "ics");
    }

    @Test
    void anElementInACommentIsNotTheRoot() throws IOException {
        isWhole(
                latin("<?xml version=\"1.0\"?>\n<!-- <tides/> was here -->\n<!DOCTYPE t [ <!ENTITY a \"b\"> ]>\n<tides>"
                        + "<tide at=\"06:10\"/></tides>\n\n"),
                "xml");
    }

    @Test
    void aPackageMayBeSignedBeforeItsDirectory() throws IOException {
        byte[] zip = KindSamples.zip("META-INF/MANIFEST.MF", "Manifest-Version: 1.0\n", "Sluice.class", "gate");
        ByteBuffer b = ByteBuffer.wrap(zip).order(ByteOrder.LITTLE_ENDIAN);
        int end = zip.length - 22;
        int directory = b.getInt(end + 16);
        byte[] signature = new byte[4096];
        new Random(3).nextBytes(signature);
        b.putInt(end + 16, directory + signature.length);
        isWhole(
                joined(Arrays.copyOf(zip, directory), signature, Arrays.copyOfRange(zip, directory, zip.length)),
                "jar");
    }

    @Test
    void anUpdateWithoutAnEndIsNotWhole() throws IOException {
        byte[] pdf = joined(
                KindSamples.pdf(""), latin("%a program's own words\n7 0 obj\n<< /Length 9 >>\nstream\nnine byte"));
        List<Hit> hits = found(pdf);
        assertThat(hits).extracting(Hit::code).containsExactly("pdf");
        assertThat(hits.get(0).walk().whole()).as("%s", hits).isFalse();
    }

    @Test
    void tagsOfAllKindsBelongToTheSound() throws IOException {
        byte[] ape = ByteBuffer.allocate(32)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(latin("APETAGEX"))
                .putInt(2000)
                .putInt(32)
                .array();
        byte[] lyrics = latin("LYRICSBEGININD0000200LYR00005hello000045LYRICS200");
        byte[] last = Arrays.copyOf(latin("TAGFerry song"), 128);
        last[127] = 12;
        byte[] sound = joined(SAMPLES.get("mp3"), ape, lyrics, last);
        List<Hit> hits = found(sound);
        assertThat(hits).hasSize(1);
        assertThat(hits.get(0).walk().length()).isEqualTo(sound.length);
    }

    @Test
    void aFontWithAWrongSumIsDoubted() throws IOException {
        byte[] font = SAMPLES.get("ttf").clone();
        font[font.length - 8] ^= 1;
        List<Hit> hits = found(font);
        assertThat(hits).extracting(Hit::code).containsExactly("ttf");
        assertThat(hits.get(0).walk().whole()).isFalse();
        assertThat(hits.get(0).walk().words()).contains("sum");
    }

    @Test
    void shortTextIsFoundUpToItsZeros() throws IOException {
        byte[] text = latin("harbour.md\n\tpier-drawings.json\n\tslipway-notes.json\n");
        List<Hit> hits = found(text);
        assertThat(hits).hasSize(1);
        assertThat(hits.get(0).walk().length()).isEqualTo(text.length);
        assertThat(hits.get(0).walk().whole()).isFalse();
    }

    @Test
    void aMessageThatBeginsInTheMiddleOfALineIsNotPartOfThatText() throws IOException {
        String old = "The keeper wrote down the wind and the height of the waves every three hours of the night. "
                .repeat(60);
        String message = """
                From: keeper@skerrow.example
                To: museum@skerrow.example
                Subject: Lamp
                Date: Mon, 2 Nov 2026 10:00:00 +0000

                The lamp is mended.
                """;
        byte[] both = joined(latin(old.substring(0, 4096)), latin(message));
        List<Hit> hits = found(both);
        assertThat(hits).extracting(Hit::code).containsExactlyInAnyOrder("txt", "eml");
        assertThat(hits)
                .filteredOn(h -> h.code().equals("eml"))
                .extracting(Hit::start)
                .containsExactly(PLACE + 4096L);
    }

    @Test
    void bytesBeforeTheFillingOfAClusterMayBelongToContent() throws IOException {
        byte[] png = KindSamples.written("png");
        List<Hit> hits = found(png, latin("kept by a camera"));
        assertThat(hits).hasSize(1);
        assertThat(hits.get(0).walk().length()).isEqualTo(png.length + 16);
        assertThat(hits.get(0).doubts()).anyMatch(why -> why.contains("16 bytes behind"));
    }

    @Test
    void whatCarriesNoCheckIsWholeOnlyWhereItsEndMeetsAnEnd() throws IOException {
        byte[] bmp = SAMPLES.get("bmp");
        assertThat(found(bmp).get(0).doubts()).isEmpty();
        byte[] noise = new byte[8192];
        new Random(5).nextBytes(noise);
        assertThat(found(bmp, noise).get(0).doubts())
                .anyMatch(why -> why.startsWith("Nothing in it checks its bytes, and right behind its end"));
    }

    @Test
    void aTableAmongPackedDataIsNotTaken() throws IOException {
        byte[] packed = new byte[384 * 430];
        new Random(9).nextBytes(packed);
        byte[] bmp = bitmap(packed);
        assertThat(found(bmp).get(0).doubts()).isEmpty();
        Arrays.fill(bmp, 20 * 4096, 21 * 4096, (byte) 'x');
        assertThat(found(bmp).get(0).doubts()).anyMatch(why -> why.contains("among packed data"));
    }

    /** 24 bits a point, 128 points a line. */
    private static byte[] bitmap(byte[] points) {
        ByteBuffer b = ByteBuffer.allocate(54 + points.length).order(ByteOrder.LITTLE_ENDIAN);
        b.put(latin("BM")).putInt(54 + points.length).putInt(0).putInt(54);
        b.putInt(40).putInt(128).putInt(points.length / 384).putShort((short) 1).putShort((short) 24);
        b.position(54);
        return b.put(points).array();
    }

    @ParameterizedTest
    @CsvSource({"JPEG, false", "JPEG, true", "Deflate, false", "Deflate, true", "ZLib, false", "PackBits, false"})
    void thePackingOfAPicturesPiecesIsHeldAgainstThem(String packing, boolean inOne) throws IOException {
        byte[] tiff = KindSamples.tiff(packing, 1200, 896, inOne);
        ContentKind kind = Kinds.byCode("tiff").orElseThrow();
        ContentKind.Walk sound = kind.walk(ByteView.of(new FaultySource(tiff), new Range(0, tiff.length)));
        assertThat(sound.whole()).as("%s", sound).isTrue();
        assertThat(sound.proven()).as("%s", sound).isGreaterThan(0.8);
        byte[] noise = new byte[Math.min(4096, tiff.length / 8)];
        new Random(4).nextBytes(noise);
        System.arraycopy(noise, 0, tiff, tiff.length / 2, noise.length);
        ContentKind.Walk damaged = kind.walk(ByteView.of(new FaultySource(tiff), new Range(0, tiff.length)));
        assertThat(damaged.whole()).as("%s", damaged).isFalse();
    }

    @Test
    void soundOfMoreThanFourGigabytesHasItsLengthsInAChunk() throws IOException {
        byte[] wav = SAMPLES.get("wav");
        ByteBuffer b = ByteBuffer.allocate(wav.length + 36).order(ByteOrder.LITTLE_ENDIAN);
        ByteBuffer from = ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN);
        int data = 12;
        while (from.getInt(data) != 0x61746164) {
            data += 8 + from.getInt(data + 4);
        }
        b.put(latin("RF64")).putInt(-1).put(latin("WAVEds64")).putInt(28);
        b.putLong(wav.length + 36 - 8).putLong(from.getInt(data + 4)).putLong(0).putInt(0);
        b.put(wav, 12, wav.length - 12);
        b.putInt(data + 36 + 4, -1);
        isWhole(b.array(), "wav");
    }

    /** The same bytes, but for the name of the stream that tells the program. */
    @Test
    void aCompoundFileOfAnUnknownProgramMayGoOn() throws IOException {
        byte[] doc = SAMPLES.get("doc").clone();
        isWhole(doc, "doc");
        String told = new String(doc, StandardCharsets.ISO_8859_1);
        int name = told.indexOf(
                new String("WordDocument".getBytes(StandardCharsets.UTF_16LE), StandardCharsets.ISO_8859_1));
        doc[name] = 'L';
        assertThat(found(doc)).singleElement().satisfies(hit -> {
            assertThat(hit.code()).isEqualTo("ole");
            assertThat(hit.walk().length()).isEqualTo(doc.length);
            assertThat(hit.doubts()).anyMatch(why -> why.startsWith("Nothing shows that it ends there"));
        });
    }

    /** The recorder lost its power, or the program wrote to a pipe: both lengths are still what they were at first. */
    @ParameterizedTest
    @ValueSource(ints = {0, -1, Integer.MAX_VALUE})
    void soundWhoseLengthWasNeverWrittenEndsWhereItSoundsNoMore(int length) throws IOException {
        ByteBuffer wav = ByteBuffer.allocate(44 + 90_000).order(ByteOrder.LITTLE_ENDIAN);
        wav.put(latin("RIFF")).putInt(length).put(latin("WAVEfmt ")).putInt(16);
        wav.putShort((short) 1)
                .putShort((short) 1)
                .putInt(22_050)
                .putInt(44_100)
                .putShort((short) 2)
                .putShort((short) 16);
        wav.put(latin("data")).putInt(length);
        for (int i = 0; wav.hasRemaining(); i++) {
            boolean pause = i > 20_000 && i < 30_000;
            wav.putShort((short) (pause ? 0 : Math.sin(i / 9.0) * 3000 + i % 7 + 1));
        }
        byte[] noise = new byte[3 * 4096];
        new Random(2).nextBytes(noise);
        byte[] zerosThenNoise = new byte[4096 - wav.capacity() % 4096 + noise.length];
        System.arraycopy(noise, 0, zerosThenNoise, zerosThenNoise.length - noise.length, noise.length);
        for (byte[] behind : List.of(new byte[0], zerosThenNoise)) {
            assertThat(found(wav.array(), behind)).first().satisfies(hit -> {
                assertThat(hit.code()).isEqualTo("wav");
                assertThat(hit.walk().length()).isEqualTo(wav.capacity());
                assertThat(hit.walk().outcome()).isEqualTo(ContentKind.Outcome.LIKELY);
            });
        }
    }

    @Test
    void textInTheMiddleOfSomethingElseIsDoubted() throws IOException {
        byte[] text = "The boat came in late, and nobody had lit the lamp.\n"
                .repeat(30)
                .getBytes(StandardCharsets.US_ASCII);
        assertThat(found(text)).singleElement().satisfies(h -> assertThat(h.doubts())
                .isEmpty());
        byte[] program = {1, 0, 2, 0, 5, 0, 0, 7};
        assertThat(found(text, program)).first().satisfies(h -> assertThat(h.doubts())
                .anyMatch(why -> why.startsWith("Other bytes than zeros stand right behind its end")));
        byte[] within = new byte[512 + text.length];
        Arrays.fill(within, 0, 512, (byte) 'a');
        Arrays.fill(within, 0, 400, (byte) 2);
        System.arraycopy(text, 0, within, 512, text.length);
        assertThat(found(within)).first().satisfies(h -> assertThat(h.doubts())
                .anyMatch(why -> why.startsWith("A line of text leads up to its start")));
    }

    /** Most of it still shows or plays: it is a find, with the place where it breaks. */
    @ParameterizedTest
    @ValueSource(strings = {"jpg", "flac", "ogg", "mp3", "mkv", "pdf"})
    void oneLostClusterLeavesADoubtfulFind(String code) throws IOException {
        byte[] content =
                switch (code) {
                    case "jpg" -> KindSamples.grainyJpeg(900, 700);
                    case "pdf" ->
                        KindSamples.live("d09-raw-card", "pdf").stream()
                                .max(Comparator.comparingInt(b -> b.length))
                                .orElseThrow();
                    default -> SAMPLES.get(code);
                };
        assertThat(content.length).isGreaterThan(5 * 4096);
        byte[] lost = content.clone();
        byte[] noise = new byte[4096];
        new Random(11).nextBytes(noise);
        System.arraycopy(noise, 0, lost, content.length / 2 / 4096 * 4096, noise.length);
        List<Hit> hits = found(lost).stream().filter(h -> h.code().equals(code)).toList();
        assertThat(hits).hasSize(1);
        assertThat(hits.get(0).start()).isEqualTo(PLACE);
        assertThat(hits.get(0).walk().whole()).as("%s", hits).isFalse();
        assertThat(hits.get(0).walk().length()).as("%s", hits).isBetween((long) content.length / 2, (long)
                content.length);
        assertThat(hits.get(0).walk().words()).containsPattern("byte \\d+");
    }

    /** What a check covers notices that a cluster of it was overwritten, wherever that lies. */
    @ParameterizedTest
    @MethodSource("codes")
    void anOverwrittenClusterIsNoticedWhereACheckStands(String code) throws IOException {
        byte[] content = SAMPLES.get(code);
        ContentKind kind = Kinds.byCode(code).orElseThrow();
        ContentKind.Walk sound = kind.walk(ByteView.of(new FaultySource(content), new Range(0, content.length)));
        byte[] noise = new byte[4096];
        new Random(code.hashCode()).nextBytes(noise);
        int tries = 0;
        int passed = 0;
        for (int tenth = 0; tenth < 10; tenth++) {
            byte[] damaged = content.clone();
            int at = (int) (content.length * (long) tenth / 10) / noise.length * noise.length;
            System.arraycopy(noise, 0, damaged, at, Math.min(noise.length, content.length - at));
            tries++;
            passed += isWhole(kind, damaged) ? 1 : 0;
        }
        if (sound.proven() > 0.99) {
            assertThat(passed).as("%s", sound).isZero();
        } else if (!HARDLY_PROVEN.contains(code)) {
            assertThat(passed / (double) tries)
                    .as("what passes lies in what is not proven: %s", sound)
                    .isLessThanOrEqualTo(1 - sound.proven() + 0.25);
        }
        assertThat(sound.proven() < 0.25).as("%s", sound).isEqualTo(HARDLY_PROVEN.contains(code));
    }

    private static boolean isWhole(ContentKind kind, byte[] content) throws IOException {
        try {
            return kind.walk(ByteView.of(new FaultySource(content), new Range(0, content.length)))
                    .whole();
        } catch (ByteView.End e) {
            return false;
        }
    }

    static Set<String> codes() {
        return SAMPLES.keySet();
    }
}
