package org.brantel.core.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MapJournalTest {

    private static final long SIZE = 4096;

    @TempDir
    private Path folder;

    private Path file;

    @BeforeEach
    void name() {
        file = folder.resolve("image.img.map");
    }

    private MapJournal create() throws IOException {
        return MapJournal.create(file, new FaultySource(new byte[(int) SIZE]));
    }

    private void write() throws IOException {
        try (MapJournal journal = create()) {
            journal.note(new Range(0, 1024), BlockState.READ, "sweep");
            journal.note(new Range(1024, 512), BlockState.DEFERRED, "sweep");
            journal.note(new Range(1024, 512), BlockState.FAILED, "single-sector");
            journal.flush();
        }
    }

    @Test
    void theLastWordOnARangeWins() throws IOException {
        write();
        ReadMap map = MapJournal.load(file).map();
        assertThat(map.stateAt(0)).isEqualTo(BlockState.READ);
        assertThat(map.stateAt(1024)).isEqualTo(BlockState.FAILED);
        assertThat(map.stateAt(2048)).isEqualTo(BlockState.UNASKED);
    }

    @Test
    void maybeCutAnywhereAndNeverClaimsMoreThanWasWritten() throws IOException {
        write();
        byte[] whole = Files.readAllBytes(file);
        int header = indexOfLineEnd(whole, 0) + 1;
        ReadMap full = MapJournal.load(file).map();
        for (int cut = header; cut <= whole.length; cut++) {
            Files.write(file, Arrays.copyOf(whole, cut));
            ReadMap map = MapJournal.load(file).map();
            assertThat(map.bytes(BlockState.READ))
                    .as("cut at %d", cut)
                    .isLessThanOrEqualTo(full.bytes(BlockState.READ));
        }
        for (int cut = 0; cut < header; cut++) {
            Files.write(file, Arrays.copyOf(whole, cut));
            assertThatThrownBy(() -> MapJournal.load(file))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining("no header");
        }
    }

    @Test
    void goesOnAfterATornLineAsIfItHadNeverBeenWritten() throws IOException {
        write();
        Files.writeString(file, Files.readString(file) + "{\"off\":2048,\"len\":10");
        try (MapJournal journal = MapJournal.resume(file, MapJournal.load(file).header())) {
            journal.note(new Range(2048, 512), BlockState.READ, "sweep");
            journal.flush();
        }
        assertThat(MapJournal.load(file).map().bytes(BlockState.READ)).isEqualTo(1536);
    }

    private static int indexOfLineEnd(byte[] bytes, int from) {
        int at = from;
        while (bytes[at] != '\n') {
            at++;
        }
        return at;
    }

    @Test
    void compactionChangesNothingThatTheMapSays() throws IOException {
        write();
        ReadMap before = MapJournal.load(file).map();
        try (MapJournal journal = MapJournal.resume(file, MapJournal.load(file).header())) {
            journal.compact(before, Bookmark.NONE);
            journal.note(new Range(3072, 1024), BlockState.READ, "sweep");
            journal.flush();
        }
        MapJournal.Loaded after = MapJournal.load(file);
        assertThat(after.header().size()).isEqualTo(SIZE);
        assertThat(after.map().stateAt(1024)).isEqualTo(BlockState.FAILED);
        assertThat(after.map().bytes(BlockState.READ)).isEqualTo(2048);
        assertThat(Files.exists(folder.resolve("image.img.map.new"))).isFalse();
    }

    @Test
    void namesTheLineThatIsMalformed() throws IOException {
        write();
        Files.writeString(file, Files.readString(file).replace("\"len\":1024", "\"len\":999999"));
        assertThatThrownBy(() -> MapJournal.load(file))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("line 2")
                .hasMessageContaining("999999");
    }

    @Test
    void refusesAnotherFormatOrVersion() throws IOException {
        write();
        Files.writeString(file, Files.readString(file).replace("\"version\":2", "\"version\":9"));
        assertThatThrownBy(() -> MapJournal.load(file))
                .hasMessageContaining("not a map of version 2")
                .hasMessageContaining("version 9");
    }

    /** Maps of version 1 lie in labs: they are read, go on, and say today's words once they are compacted. */
    @Test
    void readsAMapOfVersion1AndLeavesOneOfVersion2() throws IOException {
        write();
        String first = Files.readString(file).replace("\"version\":2", "\"version\":1");
        Files.writeString(file, first + "{\"off\":0,\"len\":512,\"state\":\"untried\",\"pass\":\"again\"}\n");
        MapJournal.Loaded old = MapJournal.load(file);
        assertThat(old.header().version()).isEqualTo(1);
        assertThat(old.map().stateAt(0)).isEqualTo(BlockState.UNASKED);
        assertThat(old.map().stateAt(512)).isEqualTo(BlockState.READ);

        try (MapJournal journal = MapJournal.resume(file, old.header())) {
            journal.compact(old.map(), old.rounds());
        }
        MapJournal.Loaded now = MapJournal.load(file);
        assertThat(now.header().version()).isEqualTo(2);
        assertThat(now.map().runs()).isEqualTo(old.map().runs());
        assertThat(Files.readString(file)).doesNotContain("untried");
    }

    @Test
    void neverOverwritesAMap() throws IOException {
        write();
        assertThatThrownBy(this::create).isInstanceOf(java.nio.file.FileAlreadyExistsException.class);
    }

    /** A day of small requests is not a day of lines. */
    @Test
    void notesThatTouchAndSayTheSameAreOneLine() throws IOException {
        try (MapJournal journal = create()) {
            for (int at = 0; at < 2048; at += 512) {
                journal.note(new Range(at, 512), BlockState.READ, "sweep");
            }
            for (int at = 3584; at >= 3072; at -= 512) {
                journal.note(new Range(at, 512), BlockState.READ, "back-sweep");
            }
            journal.note(new Range(2048, 512), BlockState.FAILED, "persistence", 1);
            journal.note(new Range(2560, 512), BlockState.FAILED, "persistence", 1);
            journal.flush();
        }
        assertThat(Files.readAllLines(file)).hasSize(5);
        MapJournal.Loaded loaded = MapJournal.load(file);
        assertThat(loaded.map().ranges(BlockState.READ)).containsExactly(new Range(0, 2048), new Range(3072, 1024));
        assertThat(loaded.rounds()).isEqualTo(new Bookmark(1, 3072, 2048));
    }
}
