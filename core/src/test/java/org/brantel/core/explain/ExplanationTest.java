package org.brantel.core.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.brantel.core.volume.Volume;
import org.brantel.core.volume.Volumes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ExplanationTest {

    private Volume volume;

    private List<Finding> files(FaultySource source) throws IOException {
        Volumes.Found found = Volumes.listed(source, new ArrayList<>()).get(0);
        volume = found.volume();
        Collected told = new Collected();
        found.reader().walk(told.walk(0));
        return told.findings();
    }

    private static Finding named(List<Finding> files, String path) {
        return files.stream().filter(f -> f.path().equals(path)).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "ntfs, Record of the file table, signature, 'FILE'",
        "exfat, Entries in its folder, type, 'file, deleted'",
        "ext4, Inode, mode, 'file, 644'",
        "fat12, Entry in its folder, bytes, 9000",
        "iso, Record in its folder, bytes, 9000",
        "udf, File entry, bytes, 9000"
    })
    void theRecordIsTakenApartBesideItsBytes(String seed, String title, String field, String value) throws IOException {
        FaultySource source = new FaultySource(Seeds.volume(seed));
        List<Finding> files = files(source);
        boolean deleted = value.contains("deleted");
        Finding file = deleted
                ? files.stream()
                        .filter(f -> f.origin() == Origin.DELETED)
                        .findFirst()
                        .orElseThrow()
                : named(files, "/plot/hive/a rather long name of a recording.bin");
        List<Step> steps = Explanation.of(source, volume, file);
        assertThat(steps.get(0).words().get(0)).contains(volume.fs());
        Step record = steps.get(1);
        assertThat(record.title()).isEqualTo(title);
        assertThat(record.offset()).isEqualTo(file.record().at());
        assertThat(record.fields()).anySatisfy(f -> {
            assertThat(f.name()).isEqualTo(field);
            assertThat(f.value()).isEqualTo(value.equals("FILE") ? "'FILE'" : value);
        });
        // What is named lies in what is shown.
        assertThat(record.fields())
                .allMatch(f -> f.at() >= 0
                        && f.length() > 0
                        && (f.at() + f.length()) * 2 <= record.hex().length());
        assertThat(steps.get(steps.size() - 1).title())
                .startsWith("Judged " + file.prognosis().word());
        assertThat(steps.get(steps.size() - 1).words()).isEqualTo(file.reasons());
    }

    @Test
    void theBytesShownAreTheFilesFirst() throws IOException {
        FaultySource source = new FaultySource(Seeds.volume("ext2"));
        Step bytes = Explanation.of(source, null, named(files(source), "/plot/note.txt"))
                .get(2);
        assertThat(bytes.hex()).startsWith(Hex.of("low water 4.2 m".getBytes(StandardCharsets.US_ASCII)));
        assertThat(bytes.words()).first().isEqualTo("24 bytes in 1 extent.");
    }

    @Test
    void aRecordThatWasNotReadIsSaidToBeMissing() throws IOException {
        byte[] bytes = Seeds.volume("ntfs");
        Finding file = named(files(new FaultySource(bytes)), "/plot/note.txt");
        FaultySource spoiled = new FaultySource(bytes, new Range(file.record().at(), 512));
        Step record = Explanation.of(spoiled, volume, file).get(1);
        assertThat(record.hex()).isNull();
        assertThat(record.words()).contains("It was not read in full, so it is not shown.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"ntfs", "exfat", "ext4", "ext2", "fat32", "iso9660", "udf", "other"})
    void anyBytesAreTakenApartWithoutLeavingThem(String fs) {
        Random random = new Random(fs.hashCode());
        for (int i = 0; i < 3000; i++) {
            byte[] b = new byte[Families.describe(fs).most()];
            random.nextBytes(b);
            if (fs.equals("ntfs")) {
                b[20] = 56;
                b[21] = 0;
            }
            byte[] own = Arrays.copyOf(b, Families.describe(fs).lengthOf(b));
            assertThat(Families.describe(fs).fieldsOf(own))
                    .allMatch(f -> f.at() >= 0 && f.at() + f.length() <= own.length);
        }
    }
}
