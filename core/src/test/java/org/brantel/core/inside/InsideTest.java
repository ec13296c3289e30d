package org.brantel.core.inside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatIOException;
import static org.assertj.core.api.Assertions.fail;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.sevenz.SevenZArchiveEntry;
import org.apache.commons.compress.archivers.sevenz.SevenZOutputFile;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.PlacedBytes;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

class InsideTest {

    private static ByteView view(byte[] content) {
        return ByteView.of(new FaultySource(content), new Range(0, content.length));
    }

    private static byte[] zip(int files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < files; i++) {
                ZipEntry e = new ZipEntry("tide/gauge " + i + "\u202e.log");
                e.setTimeLocal(LocalDateTime.of(2021, 5, 4, 9, 12, 30));
                zip.putNextEntry(e);
                zip.write(new byte[1000 + i]);
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    private static byte[] tar() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (TarArchiveOutputStream tar = new TarArchiveOutputStream(out)) {
            TarArchiveEntry e = new TarArchiveEntry("band/march.mid");
            e.setSize(700);
            e.setModTime(0L);
            tar.putArchiveEntry(e);
            tar.write(new byte[700]);
            tar.closeArchiveEntry();
            tar.putArchiveEntry(new TarArchiveEntry("band/parts/"));
            tar.closeArchiveEntry();
        }
        return out.toByteArray();
    }

    private static byte[] sevenZip() throws IOException {
        SeekableInMemoryByteChannel out = new SeekableInMemoryByteChannel();
        try (SevenZOutputFile archive = new SevenZOutputFile(out)) {
            SevenZArchiveEntry e = new SevenZArchiveEntry();
            e.setName("band/march.mid");
            e.setLastModifiedTime(FileTime.from(Instant.parse("2021-05-04T09:12:30Z")));
            archive.putArchiveEntry(e);
            archive.write(new byte[70_000]);
            archive.closeArchiveEntry();
            SevenZArchiveEntry folder = new SevenZArchiveEntry();
            folder.setName("band/parts");
            folder.setDirectory(true);
            archive.putArchiveEntry(folder);
            archive.closeArchiveEntry();
        }
        return Arrays.copyOf(out.array(), (int) out.size());
    }

    private static ByteBuffer little(int size) {
        return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** Version 4: a file of 600 bytes that stand as they are, a folder, the end. */
    private static byte[] rar4() {
        ByteBuffer out = little(1000);
        out.put(text("Rar!\u001a\u0007\0"))
                .put(new byte[] {0, 0, 0x73, 0, 0, 13, 0})
                .position(20);
        four(out, 0x8000, 600, "tide\\gauge.log");
        out.position(out.position() + 600);
        four(out, 0x80e0, 0, "tide");
        out.put(new byte[] {0, 0, 0x7b, 0, 0x40, 7, 0});
        return Arrays.copyOf(out.array(), out.position());
    }

    private static void four(ByteBuffer out, int flags, int size, String name) {
        // The fourth of May 2021, 09:12:30.
        int changed = 41 << 25 | 5 << 21 | 4 << 16 | 9 << 11 | 12 << 5 | 15;
        out.putShort((short) 0).put((byte) 0x74).putShort((short) flags).putShort((short) (32 + name.length()));
        out.putInt(size)
                .putInt(size)
                .put((byte) 3)
                .putInt(0)
                .putInt(changed)
                .put((byte) 20)
                .put((byte) 0x30);
        out.putShort((short) name.length()).putInt(0x20).put(text(name));
    }

    /** Version 5: archive head, a file with its time and CRC, a folder without, the end. */
    private static byte[] rar5() {
        ByteBuffer out = little(1000);
        out.put(text("Rar!\u001a\u0007\1\0"));
        five(out, new byte[] {1, 0, 0});
        byte[] name = text("hives/söuth.log");
        ByteBuffer file = little(64).put(new byte[] {2, 2, 10, 6, (byte) 0xe8, 7, 0});
        file.putInt(1_620_119_550)
                .putInt(0)
                .put(new byte[] {0, 1, (byte) name.length})
                .put(name);
        five(out, Arrays.copyOf(file.array(), file.position()));
        out.position(out.position() + 10);
        five(out, new byte[] {2, 0, 1, 0, 0, 0, 1, 5, 'h', 'i', 'v', 'e', 's'});
        five(out, new byte[] {5, 0, 0});
        return Arrays.copyOf(out.array(), out.position());
    }

    /**
     * A 7z archive whose head was packed by 06f10701, which is AES: behind the sixteen bytes of the packed head stands
     * where that is (17), by its place and length (06, 09) and how it was packed (07, 0b, 0c).
     */
    private static byte[] sevenZipWithAClosedHead() {
        byte[] where = HexFormat.of().parseHex("17060001091000070b0100012406f1070102" + "13000c100000");
        ByteBuffer start = little(20).putLong(16).putLong(where.length).putInt(crc(where));
        ByteBuffer out = little(48 + where.length);
        out.put(HexFormat.of().parseHex("377abcaf271c0004")).putInt(crc(start.array()));
        return out.put(start.array()).put(new byte[16]).put(where).array();
    }

    private static int crc(byte[] bytes) {
        CRC32 crc = new CRC32();
        crc.update(bytes);
        return (int) crc.getValue();
    }

    private static void five(ByteBuffer out, byte[] head) {
        out.putInt(0).put((byte) head.length).put(head);
    }

    /** A page of rows: the cells from its end, their places behind its head. */
    private static byte[] leaf(int head, List<byte[]> cells) {
        ByteBuffer page = ByteBuffer.allocate(512);
        int at = 512;
        page.put(head, (byte) 13).putShort(head + 3, (short) cells.size());
        for (int i = 0; i < cells.size(); i++) {
            at -= cells.get(i).length;
            page.put(at, cells.get(i)).putShort(head + 8 + 2 * i, (short) at);
        }
        return page.array();
    }

    /** A row of texts and small numbers. */
    private static byte[] row(int number, Object... values) {
        ByteArrayOutputStream kinds = new ByteArrayOutputStream();
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        for (Object v : values) {
            if (v instanceof String s) {
                byte[] text = s.getBytes(StandardCharsets.UTF_8);
                int kind = 13 + 2 * text.length;
                if (kind > 127) {
                    kinds.write(0x80 | kind >> 7);
                }
                kinds.write(kind & 0x7f);
                content.writeBytes(text);
            } else if (v == null) {
                kinds.write(0);
            } else {
                kinds.write(1);
                content.write((Integer) v);
            }
        }
        ByteArrayOutputStream cell = new ByteArrayOutputStream();
        cell.write(1 + kinds.size() + content.size());
        cell.write(number);
        cell.write(1 + kinds.size());
        cell.writeBytes(kinds.toByteArray());
        cell.writeBytes(content.toByteArray());
        return cell.toByteArray();
    }

    private static byte[] database() {
        byte[] schema = leaf(
                100,
                List.of(row(
                        1,
                        "table",
                        "hives",
                        "hives",
                        2,
                        "CREATE TABLE hives (id INTEGER, \"name\" TEXT, n INTEGER PRIMARY KEY)")));
        byte[] head = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, schema, 0, head.length);
        schema[16] = 2;
        schema[59] = 1;
        byte[] rows = leaf(0, List.of(row(1, 7, "north", null), row(2, -3, "söuth", null), row(3, 9, "west", null)));
        byte[] all = Arrays.copyOf(schema, 1024);
        System.arraycopy(rows, 0, all, 512, 512);
        return all;
    }

    @Test
    void anArchiveIsListedByItsDirectory() throws IOException {
        Inside.Table files = Inside.of("zip", view(zip(300))).get(0);
        assertThat(files.rows()).isEqualTo(300);
        assertThat(files.cells()).hasSize(200);
        // What turns letters round is not shown.
        assertThat(files.cells().get(3)).containsExactly("tide/gauge 3 .log", "1,003", "2021-05-04 09:12:30");
    }

    /** More than two bytes count: then a larger end says how many there are, and where they are listed. */
    @Test
    void anArchiveOfVeryManyFilesIsListedByItsLargerEnd() throws IOException {
        assertThat(Inside.of("zip", view(zip(70_000))).get(0).rows()).isEqualTo(70_000);
    }

    @Test
    void aDirectoryThatBreaksOffIsNotSaidToBeAll() throws IOException {
        byte[] zip = zip(300);
        ByteBuffer bytes = little(zip.length).put(zip);
        int entry = bytes.getInt(zip.length - 6);
        for (int i = 0; i < 250; i++) {
            entry += 46 + bytes.getShort(entry + 28) + bytes.getShort(entry + 30) + bytes.getShort(entry + 32);
        }
        bytes.putInt(entry, 0);
        Inside.Table files = Inside.of("zip", view(bytes.array())).get(0);
        assertThat(files.cells()).hasSize(200);
        assertThat(files.rows()).isEqualTo(Inside.Table.NOT_KNOWN);
    }

    /** Ten million entries of 48 bytes, made as they are read, behind them both ends. */
    private record Endless(long entries) implements PlacedBytes {

        private static final int ENTRY = 48;
        private static final byte[] ONE = little(ENTRY)
                .putInt(0x02014b50)
                .putShort(28, (short) 2)
                .put(46, text("a1"))
                .array();

        private byte[] ends() {
            ByteBuffer ends = little(56 + 20 + 22);
            ends.putInt(0, 0x06064b50).putLong(32, entries).putLong(40, entries * ENTRY);
            ends.putInt(56, 0x07064b50).putLong(64, entries * ENTRY);
            ends.putInt(76, 0x06054b50).putShort(86, (short) -1).putInt(88, -1).putInt(92, -1);
            return ends.array();
        }

        @Override
        public ReadOutcome read(long offset, byte[] buffer, int at, int length) {
            byte[] ends = ends();
            for (int i = 0; i < length; i++) {
                long byteAt = offset + i;
                long behind = byteAt - entries * ENTRY;
                buffer[at + i] = behind < 0 ? ONE[(int) (byteAt % ENTRY)] : ends[(int) behind];
            }
            return ReadOutcome.clean(0);
        }

        @Override
        public long size() {
            return entries * ENTRY + ends().length;
        }

        @Override
        public String description() {
            return "an archive of very many names";
        }
    }

    @Test
    void anArchiveOfTenMillionNamesIsListedAsFarAsAPersonLooks() throws IOException {
        Endless archive = new Endless(10_000_000);
        Inside.Table files = Inside.of("zip", ByteView.of(archive, new Range(0, archive.size())))
                .get(0);
        assertThat(files.cells()).hasSize(200);
        assertThat(files.rows()).as("nobody counts on").isEqualTo(Inside.Table.NOT_KNOWN);
    }

    @Test
    void aMailboxIsListedByItsMessages() throws IOException {
        String one = """
                From keeper@skerrow.example Tue May  4 09:12:30 2021
                From: Mara Fell
                Subject: Hives

                From here on the comb is full.

                """;
        String two = "From lab@skerrow.example Wed May  5 10:00:00 2021\r\nSubject: Dues\r\n\r\nPaid.\r\n";
        Mailbox.Messages messages = Mailbox.of(view(text(one + two + one)));
        assertThat(messages.count()).as("a sentence may begin like an envelope").isEqualTo(3);
        assertThat(messages.heads())
                .map(String::new)
                .containsExactly(
                        "From: Mara Fell\nSubject: Hives\n", "Subject: Dues\r\n", "From: Mara Fell\nSubject: Hives\n");
        assertThat(Mailbox.of(view(text(two.repeat(500)))).heads()).hasSize(200);
        assertThat(Mailbox.of(view(text(two.substring(0, two.indexOf("Subject")))))
                        .heads())
                .map(String::new)
                .as("it breaks off")
                .containsExactly("");
        assertThatIOException().isThrownBy(() -> Mailbox.of(view(text("From here on the comb is full.\n"))));
        assertThatIOException().isThrownBy(() -> Mailbox.of(view(new byte[0])));
    }

    @Test
    void aTarIsListedByItsHeaders() throws IOException {
        Inside.Table files = Inside.of("tar", view(tar())).get(0);
        assertThat(files.rows()).isEqualTo(2);
        assertThat(files.cells().get(0)).containsExactly("band/march.mid", "700", "1970-01-01 00:00");
        assertThat(files.cells().get(1).get(1)).isEqualTo("folder");
    }

    @Test
    void aListThatAPasswordClosesIsNotCalledDamaged() {
        byte[] four = rar4();
        four[10] |= (byte) 0x80;
        ByteBuffer five = little(30).put(text("Rar!\u001a\u0007\1\0"));
        five(five, new byte[] {4, 0, 0, 0});
        for (Map.Entry<String, byte[]> closed : Map.of(
                        "7z", sevenZipWithAClosedHead(), "rar", four, "rar ", five.array())
                .entrySet()) {
            assertThatExceptionOfType(Inside.Locked.class)
                    .as(closed.getKey())
                    .isThrownBy(() -> Inside.of(closed.getKey().strip(), view(closed.getValue())));
        }
    }

    @Test
    void otherArchivesAreListedByTheirHeads() throws IOException {
        assertThat(Inside.of("7z", view(sevenZip())).get(0).cells())
                .containsExactly(
                        List.of("band/march.mid", "70,000", "2021-05-04 09:12:30"),
                        List.of("band/parts", "folder", "not kept"));
        assertThat(Inside.of("rar", view(rar4())).get(0).cells())
                .containsExactly(
                        List.of("tide\\gauge.log", "600", "2021-05-04 09:12:30"),
                        List.of("tide", "folder", "2021-05-04 09:12:30"));
        assertThat(Inside.of("rar", view(rar5())).get(0).cells())
                .containsExactly(
                        List.of("hives/söuth.log", "1,000", "2021-05-04 09:12:30"),
                        List.of("hives", "folder", "not kept"));
    }

    @Test
    void aDatabaseIsListedByItsTables() throws IOException {
        Inside.Table hives = Inside.of("sqlite", view(database())).get(0);
        assertThat(hives.name()).isEqualTo("hives");
        assertThat(hives.rows()).isEqualTo(3);
        assertThat(hives.heads()).containsExactly("id", "name", "n");
        assertThat(hives.cells())
                .containsExactly(List.of("7", "north", "1"), List.of("-3", "söuth", "2"), List.of("9", "west", "3"));
    }

    /** Laid out as an index (section 2.4): what it holds is not read, and not said to be nothing. */
    @Test
    void rowsThatAreNotCountedAreNotSaidToBeNone() throws IOException {
        byte[] database = database();
        database[512] = 10;
        assertThat(Inside.of("sqlite", view(database)).get(0).rows()).isEqualTo(Inside.Table.NOT_KNOWN);
    }

    @Test
    void whatIsDamagedFailsAndNeverHangs() throws IOException {
        assertThatIOException().isThrownBy(() -> Inside.of("zip", view(new byte[100])));
        byte[] turning = database();
        // The schema's own page as an inner page that leads to itself.
        turning[100] = 5;
        turning[111] = 1;
        assertThatIOException().isThrownBy(() -> Inside.of("sqlite", view(turning)));
        Random random = new Random(17);
        Map<String, byte[]> all = Map.of("zip", zip(5), "tar", tar(), "7z", sevenZip(), "sqlite", database());
        Map<String, byte[]> rars = Map.of("rar", rar4(), "rar ", rar5());
        for (Map.Entry<String, byte[]> one :
                Stream.of(all, rars).flatMap(m -> m.entrySet().stream()).toList()) {
            String kind = one.getKey().strip();
            byte[] sound = one.getValue();
            for (int run = 0; run < 2000; run++) {
                byte[] hurt = sound.clone();
                for (int i = 0; i <= random.nextInt(6); i++) {
                    hurt[random.nextInt(hurt.length)] = (byte) random.nextInt();
                }
                listed(kind, Arrays.copyOf(hurt, hurt.length - random.nextInt(hurt.length / 2)));
            }
        }
    }

    private static void listed(String kind, byte[] hurt) {
        try {
            Inside.of(kind, view(hurt)).forEach(t -> assertThat(t.rows()).isGreaterThanOrEqualTo(-1));
        } catch (IOException declared) {
            assertThat(declared.getMessage()).isNotEmpty();
        } catch (RuntimeException e) {
            fail(kind, e);
        }
    }
}
