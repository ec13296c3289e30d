package org.brantel.core.filesystem;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

class TrashTest {

    private static final Instant WHEN = Instant.parse("2022-06-18T04:26:40Z");
    private static final long TICKS = 133_000_000_000_000_000L;

    private final ByteBuffer medium = ByteBuffer.allocate(8192).order(ByteOrder.LITTLE_ENDIAN);
    private final Map<String, Finding> told = new HashMap<>();
    private final Trash trash = new Trash(new FaultySource(medium.array()), new FindingSink() {
        @Override
        public void found(Finding finding) {
            told.put(finding.path(), finding);
        }

        @Override
        public void problem(String what) {
            throw new AssertionError(what);
        }
    });

    private void file(String path, byte[] content) {
        int at = medium.position();
        medium.put(content);
        trash.found(new Finding(
                0,
                0,
                Origin.LIVE,
                Named.of(path, path.substring(path.lastIndexOf('/') + 1)),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 99, List.of("It is there.")),
                Content.of(content.length, "other", List.of(new Extent(at, content.length))),
                Evidence.NONE));
    }

    private static byte[] wide(String text) {
        return text.getBytes(StandardCharsets.UTF_16LE);
    }

    private static byte[] record(String path) {
        ByteBuffer b = ByteBuffer.allocate(28 + path.length() * 2 + 2).order(ByteOrder.LITTLE_ENDIAN);
        return b.putLong(2)
                .putLong(100)
                .putLong(TICKS)
                .putInt(path.length() + 1)
                .put(wide(path))
                .array();
    }

    @Test
    void aBinsRecordMayComeAfterTheFileAndSpeaksForAWholeFolder() throws IOException {
        file("/$Recycle.Bin/S-1-5-21-7/$RQ8K2.txt", new byte[10]);
        file("/$Recycle.Bin/S-1-5-21-7/$RFOLD/sub/stave.pdf", new byte[10]);
        file("/$Recycle.Bin/S-1-5-21-7/$IQ8K2.txt", record("C:\\Gauge\\tables.txt"));
        file("/$Recycle.Bin/S-1-5-21-7/$IFOLD", record("C:\\Band"));
        file("/Gauge/other.txt", new byte[10]);
        assertThat(told).as("nobody waits who is not in a trash").containsOnlyKeys("/Gauge/other.txt");
        trash.finish();
        RecordFacts one = told.get("/$Recycle.Bin/S-1-5-21-7/$RQ8K2.txt").record();
        assertThat(one.trashedFrom()).isEqualTo("C:/Gauge/tables.txt");
        assertThat(one.deleted()).isEqualTo(WHEN);
        Finding inFolder = told.get("/$Recycle.Bin/S-1-5-21-7/$RFOLD/sub/stave.pdf");
        assertThat(inFolder.record().trashedFrom()).isEqualTo("C:/Band/sub/stave.pdf");
        assertThat(inFolder.reasons())
                .last()
                .asString()
                .isEqualTo("It lies in the trash; it was C:/Band/sub/stave.pdf, put there 2022-06-18T04:26:40Z.");
    }

    @Test
    void theOldBinsListNamesThemByNumber() throws IOException {
        ByteBuffer list = ByteBuffer.allocate(20 + 800).order(ByteOrder.LITTLE_ENDIAN);
        list.putInt(12, 800).putInt(20 + 260, 12).putLong(20 + 268, TICKS);
        list.put(20 + 280, wide("D:\\Hives\\rota.xls"));
        file("/RECYCLER/S-1-5-21-7/INFO2", list.array());
        file("/RECYCLER/S-1-5-21-7/Dd12.xls", new byte[10]);
        trash.finish();
        assertThat(told.get("/RECYCLER/S-1-5-21-7/Dd12.xls").record().trashedFrom())
                .isEqualTo("D:/Hives/rota.xls");
    }

    @Test
    void theFreedesktopTrashSaysItInTwoLines() throws IOException {
        file(
                "/.Trash-1000/info/Marsch für B.mid.trashinfo",
                "[Trash Info]\nPath=/home/una/Marsch%20f%C3%BCr%20B.mid\nDeletionDate=2021-10-03T20:40:22\n"
                        .getBytes(StandardCharsets.UTF_8));
        file("/.Trash-1000/files/Marsch für B.mid", new byte[10]);
        trash.finish();
        RecordFacts facts = told.get("/.Trash-1000/files/Marsch für B.mid").record();
        assertThat(facts.trashedFrom()).isEqualTo("/home/una/Marsch für B.mid");
        assertThat(facts.deleted()).isEqualTo(Instant.parse("2021-10-03T20:40:22Z"));
    }

    @Test
    void withoutARecordItIsStillSaidToBeInTheTrash() throws IOException {
        file("/.Trashes/501/hive.png", new byte[10]);
        file("/$Recycle.Bin/S-1/$RAAAA.doc", new byte[10]);
        file("/$Recycle.Bin/S-1/$IAAAA.doc", new byte[] {9, 9, 9});
        trash.finish();
        assertThat(told.get("/.Trashes/501/hive.png").reasons())
                .contains("It lies in the trash; no record says where it was before.");
        assertThat(told.get("/$Recycle.Bin/S-1/$RAAAA.doc").record().trashedFrom())
                .isEmpty();
        assertThat(told).hasSize(3);
    }
}
