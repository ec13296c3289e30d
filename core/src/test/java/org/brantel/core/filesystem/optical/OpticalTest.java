package org.brantel.core.filesystem.optical;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OpticalTest {

    private final List<String> problems = new ArrayList<>();

    private List<Finding> files(FaultySource source) throws IOException {
        FileSystem volume = Families.open(source, new Range(0, source.size()));
        Collected told = new Collected(problems);
        volume.walk(told.walk(0));
        return told.findings();
    }

    @ParameterizedTest
    @ValueSource(strings = {"iso", "udf"})
    void everyFileIsListedWithItsLongNameAndContent(String seed) throws IOException {
        FaultySource source = new FaultySource(Seeds.volume(seed));
        List<Finding> files = files(source);
        assertThat(problems).isEmpty();
        assertThat(files)
                .hasSize(12)
                .allMatch(f -> f.origin() == Origin.LIVE && f.prognosis() == Prognosis.WHOLE && f.modified() != null);
        assertThat(files)
                .extracting(Finding::path)
                .contains("/plot/hive/a rather long name of a recording.bin", "/empty.log", "/mid.csv");
        Finding note = files.stream()
                .filter(f -> f.path().equals("/plot/note.txt"))
                .findFirst()
                .orElseThrow();
        byte[] text = new byte[(int) note.size()];
        assertThat(note.content(source).read(0, text, 0, text.length).isClean()).isTrue();
        assertThat(new String(text, StandardCharsets.US_ASCII)).isEqualTo("low water 4.2 m at noon\n");
    }

    @Test
    void blocksOfUdfMayBeOf1024Bytes() throws IOException {
        FaultySource source = new FaultySource(Seeds.volume("udf-1k-empty"));
        FileSystem volume = Families.open(source, new Range(0, source.size()));
        assertThat(volume.facts().fs()).isEqualTo("udf");
        assertThat(volume.facts().label()).isEqualTo("SKERROW");
        assertThat(volume.facts().clusterBytes()).isEqualTo(1024);
        assertThat(files(source)).isEmpty();
        assertThat(problems).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"iso", "udf"})
    void aFolderThatWasNotReadIsToldAndTheOthersAreRead(String seed) throws IOException {
        byte[] bytes = Seeds.volume(seed);
        List<Finding> all = files(new FaultySource(bytes));
        long folder = all.stream()
                        .filter(f -> f.path().equals("/plot/hive/f1.dat"))
                        .findFirst()
                        .orElseThrow()
                        .record()
                        .at()
                / 2048
                * 2048;
        List<Finding> files = files(new FaultySource(bytes, new Range(folder, 2048)));
        assertThat(files)
                .extracting(Finding::path)
                .contains("/empty.log", "/mid.csv")
                .doesNotContain("/plot/hive/f1.dat");
        assertThat(problems).isNotEmpty();
    }

    @Test
    void theLabelIsThatOfTheTreeThatIsRead() throws IOException {
        FaultySource source = new FaultySource(Seeds.volume("iso"));
        assertThat(Families.open(source, new Range(0, source.size())).facts().label())
                .isEqualTo("SEED");
    }
}
