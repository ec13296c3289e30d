package org.brantel.core.carve;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.Seeds;

/**
 * One file of each kind that the engine carves: from real encoders, from the corpus, or put together field by field.
 */
final class KindSamples {

    private static final String BZ2 =
            "QlpoOTFBWSZTWcW1ttwABRPRgAAQQAQ35d8gMAEYAUDTQyMmIUDTQyMmIFKoCTTYmKep9E2E9CYifgngnoJ0JkE7E2E0E5EzE+C"
                    + "YCaCbicCZhNBORPom4nImonAnYngnwToT+E2E8E3E0EyCYCfBMBPomQmom4nAmQmAnATET2EwE1E4ExE1E7E9iZCe"
                    + "CZir9CehOhOhP8XckU4UJDFtbbcA";
    private static final String XZ =
            "/Td6WFoAAATm1rRGAgAhARYAAAB0L+Wj4AtnAFhdADoaSLBTPkmqAvNjA08PEWeSscqTV4NpB6lrtRePQtSyQmnuNOw9in/Jebu"
                    + "4dA2iH5ZQMB9iMlk8jWqudciu0FLlkxqTYbZPTvUgHQN/AcTWwp31fIzkMwAAkKwYJ4Tzki8AAXToFgAAAFcfMD6x"
                    + "xGf7AgAAAAAEWVo=";
    private static final String ZST =
            "KLUv/WRoCiUCAELEDROwVQcAtrlnJCzZVuZOko2mY1oCQBtULBWKpvx38FB5PPhQoGTeL74W6HIGiYsgc7WiCSuhzzwCABxjgpd"
                    + "hQjEDuvnKEw==";
    /** Kinds that are taken from the raw card, where real tools wrote them. */
    private static final List<String> FROM_CARD = List.of(
            "webp", "psd", "mp4", "mov", "m4a", "heic", "wav", "avi", "mkv", "flac", "ogg", "mp3", "doc", "xls", "pptx",
            "docx", "xlsx", "odt", "7z", "sqlite", "rtf");

    private KindSamples() {}

    /** Every code with a file of it. */
    static Map<String, byte[]> all() {
        try {
            Map<String, byte[]> all = new LinkedHashMap<>();
            all.putAll(pictures());
            all.put("aiff", aiff());
            all.put("mid", midi());
            all.put("pdf", pdf(""));
            all.putAll(containers());
            all.put("gz", gzip());
            all.put("bz2", Base64.getDecoder().decode(BZ2));
            all.put("xz", Base64.getDecoder().decode(XZ));
            all.put("zst", Base64.getDecoder().decode(ZST));
            all.put("rar", rar4());
            all.put("tar", tar());
            all.put("ttf", font());
            all.put("iso", Seeds.volume("iso"));
            all.putAll(texts());
            all.putAll(fromCard());
            return all;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Map<String, byte[]> fromCard() throws IOException {
        Path folder = Files.createTempDirectory("card");
        Path image = Corpus.image("d09-raw-card", folder);
        byte[] card = Files.readAllBytes(image);
        Files.delete(image);
        Files.delete(folder);
        Map<String, byte[]> found = new LinkedHashMap<>();
        Corpus.files("d09-raw-card").stream()
                .filter(f -> FROM_CARD.contains(f.kind()) && !"bifragment".equals(f.difficulty()))
                .forEach(f -> found.putIfAbsent(
                        f.kind(), Arrays.copyOfRange(card, (int) f.firstByte(), (int) (f.firstByte() + f.size()))));
        return found;
    }

    /** What a corpus image holds of a kind, in one piece and with all of its bytes. */
    static List<byte[]> live(String name, String kind) throws IOException {
        Path folder = Files.createTempDirectory("live");
        Path image = Corpus.image(name, folder);
        byte[] medium = Files.readAllBytes(image);
        Files.delete(image);
        Files.delete(folder);
        return Corpus.files(name).stream()
                .filter(f -> f.kind().equals(kind)
                        && (f.state().equals("live") || f.state().equals("raw"))
                        && f.firstByte() >= 0
                        && f.firstByte() + f.size() <= medium.length)
                .map(f -> Arrays.copyOfRange(medium, (int) f.firstByte(), (int) (f.firstByte() + f.size())))
                .filter(b -> !kind.equals("pdf")
                        || new String(b, StandardCharsets.ISO_8859_1)
                                .stripTrailing()
                                .endsWith("%%EOF"))
                .toList();
    }

    static BufferedImage picture(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        Random random = new Random(width);
        for (int i = 0; i < 60; i++) {
            g.setColor(new Color(random.nextInt(0xffffff)));
            g.fillOval(random.nextInt(width), random.nextInt(height), 40, 30);
        }
        g.dispose();
        return image;
    }

    static byte[] written(String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        if (!ImageIO.write(picture(120, 90), format, out)) {
            throw new IOException("no writer for " + format);
        }
        return out.toByteArray();
    }

    /** As a camera's: no two stretches of it are alike. */
    static byte[] grainyJpeg(int width, int height) throws IOException {
        BufferedImage image = picture(width, height);
        Random random = new Random(3);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, image.getRGB(x, y) ^ random.nextInt(64) * 0x010101);
            }
        }
        return jpeg(false, image);
    }

    static byte[] jpeg(boolean progressive, int width, int height) throws IOException {
        return jpeg(progressive, picture(width, height));
    }

    private static byte[] jpeg(boolean progressive, BufferedImage image) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setProgressiveMode(progressive ? ImageWriteParam.MODE_DEFAULT : ImageWriteParam.MODE_DISABLED);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.setOutput(ImageIO.createImageOutputStream(out));
        writer.write(null, new IIOImage(image, null, null), param);
        ((javax.imageio.stream.ImageOutputStream) writer.getOutput()).flush();
        writer.dispose();
        return out.toByteArray();
    }

    /** @param packing a compression by the writer's name, like {@code Deflate} */
    /** @param inOne piece, or in strips */
    static byte[] tiff(String packing, int width, int height, boolean inOne) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionType(packing);
            if (inOne) {
                how.setTilingMode(ImageWriteParam.MODE_EXPLICIT);
                how.setTiling(width, height, 0, 0);
            }
            writer.write(null, new IIOImage(picture(width, height), null, null), how);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private static Map<String, byte[]> pictures() throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put("jpg", jpeg(false, 200, 150));
        for (String format : List.of("png", "gif", "bmp", "tiff")) {
            all.put(format, written(format));
        }
        return all;
    }

    private static byte[] aiff() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] samples = new byte[8000];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (byte) (Math.sin(i / 9.0) * 90);
        }
        AudioSystem.write(
                new AudioInputStream(
                        new ByteArrayInputStream(samples), new AudioFormat(8000, 8, 1, true, true), samples.length),
                AudioFileFormat.Type.AIFF,
                out);
        return out.toByteArray();
    }

    private static byte[] midi() throws IOException {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, 96);
            var track = sequence.createTrack();
            for (int i = 0; i < 50; i++) {
                track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 50 + i % 20, 80), i * 24L));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 1, out);
            return out.toByteArray();
        } catch (javax.sound.midi.InvalidMidiDataException e) {
            throw new IOException(e);
        }
    }

    /** @param more stands behind its end mark */
    static byte[] pdf(String more) {
        String body = "%PDF-1.4\n1 0 obj\n<< /Type /Catalog >>\nendobj\n";
        String first = body
                + "xref\n0 2\n0000000000 65535 f \n0000000009 00000 n \ntrailer\n<< /Size 2 /Root 1 0 R >>\nstartxref\n"
                + body.length() + "\n%%EOF\n";
        return (first + more).getBytes(StandardCharsets.ISO_8859_1);
    }

    /** @param files name and text, in turn; a name with ! is stored plainly */
    static byte[] zip(String... files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < files.length; i += 2) {
                byte[] text = files[i + 1].getBytes(StandardCharsets.UTF_8);
                ZipEntry entry = new ZipEntry(files[i].replace("!", ""));
                if (files[i].startsWith("!")) {
                    CRC32 crc = new CRC32();
                    crc.update(text);
                    entry.setMethod(ZipEntry.STORED);
                    entry.setSize(text.length);
                    entry.setCompressedSize(text.length);
                    entry.setCrc(crc.getValue());
                }
                zip.putNextEntry(entry);
                zip.write(text);
            }
        }
        return out.toByteArray();
    }

    private static Map<String, byte[]> containers() throws IOException {
        String text = "the sluice was opened at dawn ".repeat(60);
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put("zip", zip("log.txt", text, "levels/may.csv", text));
        all.put("jar", zip("META-INF/MANIFEST.MF", "Manifest-Version: 1.0\n", "Sluice.class", text));
        all.put("kmz", zip("doc.kml", "<kml>" + text + "</kml>"));
        all.put(
                "epub",
                zip(
                        "!mimetype",
                        "application/epub+zip",
                        "OPS/book.opf",
                        "<dc:title>Bog and tide</dc:title><dc:creator>Ada Marr</dc:creator>" + text));
        all.put("ods", zip("!mimetype", "application/vnd.oasis.opendocument.spreadsheet", "content.xml", text));
        return all;
    }

    private static byte[] gzip() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(out)) {
            gzip.write("brass band library, parts and scores ".repeat(80).getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    private static ByteBuffer little(int size) {
        return ByteBuffer.allocate(size).order(java.nio.ByteOrder.LITTLE_ENDIAN);
    }

    /** Marker, archive head, a stored file, end; each head behind the low half of its CRC. */
    private static byte[] rar4() {
        byte[] data = "hive weights".repeat(30).getBytes(StandardCharsets.US_ASCII);
        ByteBuffer out = little(7 + 13 + 44 + data.length + 7);
        out.put("Rar!\u001a\u0007\0".getBytes(StandardCharsets.ISO_8859_1));
        head(out, little(11).put((byte) 0x73).putShort((short) 0).putShort((short) 13));
        head(
                out,
                little(42)
                        .put((byte) 0x74)
                        .putShort((short) 0x8000)
                        .putShort((short) 44)
                        .putInt(data.length)
                        .putInt(data.length)
                        .put((byte) 3)
                        .putInt(0)
                        .putInt(0)
                        .put((byte) 20)
                        .put((byte) 0x30)
                        .putShort((short) 12)
                        .putInt(0x20)
                        .put("weights1.txt".getBytes(StandardCharsets.US_ASCII)));
        out.put(data);
        head(out, little(5).put((byte) 0x7b).putShort((short) 0x4000).putShort((short) 7));
        return out.array();
    }

    private static void head(ByteBuffer out, ByteBuffer head) {
        CRC32 crc = new CRC32();
        crc.update(head.array());
        out.putShort((short) crc.getValue()).put(head.array());
    }

    private static byte[] tar() {
        byte[] text = "posts of the boardwalk ".repeat(40).getBytes(StandardCharsets.US_ASCII);
        return Arrays.copyOf(tar("boardwalk.txt", text), 10_240);
    }

    /** A member of an archive: its head, and what it holds up to a whole block. */
    static byte[] tar(String name, byte[] content) {
        byte[] tar = new byte[512 + (content.length + 511) / 512 * 512];
        put(tar, 0, name);
        put(
                tar,
                100,
                "0000644\0000000000\0000000000\0" + String.format("%011o", content.length)
                        + "\00014000000000\0        0");
        put(tar, 257, "ustar\00000");
        int sum = 0;
        for (int i = 0; i < 512; i++) {
            sum += tar[i] & 0xff;
        }
        put(tar, 148, String.format("%06o\0 ", sum));
        System.arraycopy(content, 0, tar, 512, content.length);
        return tar;
    }

    private static void put(byte[] to, int at, String text) {
        byte[] bytes = text.getBytes(StandardCharsets.ISO_8859_1);
        System.arraycopy(bytes, 0, to, at, bytes.length);
    }

    private static byte[] font() {
        List<String> names = List.of("cmap", "glyf", "head", "hhea", "maxp");
        byte[] font = new byte[12 + names.size() * 16 + names.size() * 64];
        ByteBuffer out = ByteBuffer.wrap(font);
        out.putInt(0x00010000).putShort((short) names.size());
        Random random = new Random(5);
        for (int i = 0; i < names.size(); i++) {
            int at = 12 + names.size() * 16 + i * 64;
            byte[] table = new byte[64];
            random.nextBytes(table);
            System.arraycopy(table, 0, font, at, 64);
            long sum = 0;
            for (int w = 0; w < 64; w += 4) {
                sum += names.get(i).equals("head") && w == 8
                        ? 0
                        : ByteBuffer.wrap(table, w, 4).getInt() & 0xffffffffL;
            }
            out.position(12 + i * 16);
            out.put(names.get(i).getBytes(StandardCharsets.US_ASCII))
                    .putInt((int) sum)
                    .putInt(at)
                    .putInt(64);
        }
        return font;
    }

    private static Map<String, byte[]> texts() {
        Map<String, String> all = new LinkedHashMap<>();
        all.put(
                "xml",
                "<?xml version=\"1.0\"?>\n<levels>\n<!-- a > b --><level at='dawn'>1.2</level><level "
                        + "note=\"a>b\"/>\n</levels>\n");
        all.put("svg", "<svg xmlns=\"http://www.w3.org/2000/svg\"><title>Stack</title><path d=\"M0 0\"/></svg>\n");
        all.put(
                "html",
                "<!DOCTYPE html>\n<html><head><title>Duty rota</title></head><body><p>Low water<br>at "
                        + "noon</p></body></html>\n");
        all.put(
                "json",
                "{\"station\": \"Cold Harbour\", \"levels\": [1.2, 1.3e0, null], \"note\": \"a } in \\\" it\"}\n");
        all.put(
                "vcf",
                "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ada Marr\r\nEND:VCARD\r\nBEGIN:VCARD\r\nVERSION:4.0\r\nFN:Tom "
                        + "Reed\r\nEND:VCARD\r\n");
        all.put(
                "ics",
                "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nSUMMARY:Rehearsal\r\nEND:VEVENT\r\nEND:VCALEN"
                        + "DAR\r\n");
        all.put(
                "eml",
                "From: Ada Marr <ada@skerrow.example>\r\nTo: band@skerrow.example\r\nSubject: Parts for "
                        + "May\r\nDate: Mon, 4 May 2026 09:12:00 +0000\r\nMIME-Version: 1.0\r\n"
                        + "Content-Type: multipart/mixed; boundary=\"b42\"\r\n\r\n--b42\r\nContent-Type: "
                        + "text/plain\r\n\r\nHere they are.\r\n--b42--\r\n");
        Map<String, byte[]> bytes = new LinkedHashMap<>();
        all.forEach((code, text) -> bytes.put(code, text.getBytes(StandardCharsets.UTF_8)));
        return bytes;
    }
}
