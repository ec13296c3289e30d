package org.brantel.core.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.brantel.core.bytes.Range;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MapFileTest {

    @TempDir
    private Path folder;

    private Path journal;

    @BeforeEach
    void journal() throws IOException {
        journal = folder.resolve("a.img.map");
        try (MapJournal to = MapJournal.create(journal, new FaultySource(new byte[8192]))) {
            to.note(new Range(0, 4096), BlockState.READ, "sweep");
            to.note(new Range(4096, 512), BlockState.FAILED, "single-sector");
            to.note(new Range(4096, 512), BlockState.FAILED, "persistence", 2);
            to.flush();
        }
    }

    @Test
    void takenElsewhereAndBackItSaysTheSame() throws IOException {
        Path sum = folder.resolve("sum.json");
        MapFile.of(journal).write(sum);
        Path back = folder.resolve("b.img.map");
        MapFile.read(sum).writeJournal(back);
        MapJournal.Loaded was = MapJournal.load(journal);
        MapJournal.Loaded is = MapJournal.load(back);
        assertThat(is.map().runs()).isEqualTo(was.map().runs());
        assertThat(is.header()).isEqualTo(was.header());
        assertThat(is.rounds()).isEqualTo(was.rounds()).isEqualTo(new Bookmark(2, 4608, 4096));
        assertThatThrownBy(() -> MapFile.read(sum).writeJournal(back)).isInstanceOf(FileAlreadyExistsException.class);
        assertThatThrownBy(() -> MapFile.of(journal).write(sum)).isInstanceOf(FileAlreadyExistsException.class);
    }

    @Test
    void refusesWhatDoesNotHoldTogetherNamingTheRange() throws IOException {
        Path sum = folder.resolve("sum.json");
        MapFile.of(journal).write(sum);
        String text = Files.readString(sum);
        Files.writeString(sum, text.replace("\"len\" : 512", "\"len\" : 51200"));
        assertThatThrownBy(() -> MapFile.read(sum))
                .hasMessageContaining("Range 2")
                .hasMessageContaining("leaves a medium of 8192 bytes");
        Files.writeString(sum, text.replace("\"failed\"", "\"lost\""));
        assertThatThrownBy(() -> MapFile.read(sum))
                .hasMessageContaining("Range 2")
                .hasMessageContaining("lost");
        Files.writeString(sum, text.replace("brantel-map-sum", "other"));
        assertThatThrownBy(() -> MapFile.read(sum))
                .hasMessageContaining("not a map sum")
                .hasMessageContaining("other");
    }
}
