package org.brantel.core.families;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.filesystem.Sweep;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What the engine may count on, whatever the family: a damaged volume gives a value or a declared failure, and what a
 * family says of itself agrees with what it does.
 */
class FamilyContractTest {

    private static final int SECTOR = 512;
    /** Of the sectors that opening and walking ask for; the heads are among the first. */
    private static final int MOST_SECTORS = 24;

    private static Family family(String fs) {
        return Families.named(fs).orElseThrow();
    }

    /** @return the file system, or null where the family says in its own words that there is none */
    private static FileSystem opened(Family family, FaultySource source) throws IOException {
        try {
            return family.open(source, new Range(0, source.size()));
        } catch (ParseFailure e) {
            assertThat(e.offset()).as(e.getMessage()).isNotNegative();
            assertThat(e.getMessage()).contains(e.field(), e.found(), e.expected(), e.structure());
            return null;
        } catch (ByteView.Unread e) {
            assertThat(e.getMessage()).contains("not read");
            return null;
        }
    }

    /** Everything that a scan asks of a volume. */
    private static void use(Family family, FaultySource source) throws IOException {
        FileSystem volume = opened(family, source);
        if (volume != null && volume.stands()) {
            assertThat(family.names()).contains(volume.facts().fs());
            volume.free();
            volume.walk(new Walk(0, false, new Collected(new ArrayList<>()), () -> false));
        }
    }

    /** Sectors that opening and walking ask for, in the order in which they are asked for. */
    private static List<Integer> sectors(byte[] bytes, Family family) throws IOException {
        Seeds.Noting noting = new Seeds.Noting(bytes);
        FileSystem volume = family.open(noting, new Range(0, noting.size()));
        volume.walk(new Walk(0, false, new Collected(new ArrayList<>()), () -> false));
        Set<Integer> met = new LinkedHashSet<>();
        for (Range asked : noting.asked()) {
            for (long at = asked.offset() / SECTOR; at * SECTOR < asked.end(); at++) {
                met.add((int) at);
            }
        }
        return met.stream().limit(MOST_SECTORS).toList();
    }

    @ParameterizedTest
    @CsvSource({"ntfs,ntfs", "exfat,exfat", "fat12,fat12", "ext4,ext4", "ext2,ext2", "iso,iso9660", "udf,udf"})
    void aVolumeThatWasCutGivesAValueOrADeclaredFailure(String seed, String fs) throws IOException {
        byte[] bytes = Seeds.volume(seed);
        Set<Integer> cuts = new TreeSet<>();
        for (int sector : sectors(bytes, family(fs))) {
            cuts.addAll(List.of(sector * SECTOR, sector * SECTOR + 1, sector * SECTOR + 511));
        }
        for (int cut : cuts) {
            if (cut > 0 && cut < bytes.length) {
                use(family(fs), new FaultySource(Arrays.copyOf(bytes, cut)));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"ntfs,ntfs", "exfat,exfat", "fat12,fat12", "ext4,ext4", "ext2,ext2", "iso,iso9660", "udf,udf"})
    void aFlippedByteGivesAValueOrADeclaredFailure(String seed, String fs) throws IOException {
        byte[] bytes = Seeds.volume(seed);
        FaultySource source = new FaultySource(bytes);
        for (int sector : sectors(bytes, family(fs)).subList(0, 3)) {
            for (int i = sector * SECTOR; i < Math.min(bytes.length, (sector + 1) * SECTOR); i++) {
                byte was = bytes[i];
                bytes[i] = (byte) ~was;
                use(family(fs), source);
                bytes[i] = was;
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"ntfs,ntfs", "exfat,exfat", "fat12,fat12", "ext4,ext4", "ext2,ext2", "iso,iso9660", "udf,udf"})
    void aSectorThatDoesNotReadGivesAValueOrADeclaredFailure(String seed, String fs) throws IOException {
        byte[] bytes = Seeds.volume(seed);
        for (int sector : sectors(bytes, family(fs))) {
            use(family(fs), new FaultySource(bytes, new Range((long) sector * SECTOR, SECTOR)));
        }
    }

    @ParameterizedTest
    @CsvSource({"ntfs,ntfs", "exfat,exfat", "fat12,fat12", "ext4,ext4", "ext2,ext2", "iso,iso9660", "udf,udf"})
    void theSweepMeetsItsHead(String seed, String fs) throws IOException {
        byte[] bytes = Seeds.volume(seed);
        Family family = family(fs);
        Signs signs = new Sweep(List.of(family))
                .over(new FaultySource(bytes), List.of(new Range(0, bytes.length)), done -> {}, () -> false);
        long[] heads = signs.of(family.copySign().orElse(Signs.HEAD));
        int most = family.headsAt().stream().mapToInt(h -> h).max().orElseThrow();
        assertThat(heads).isNotEmpty();
        assertThat(heads[0]).isLessThanOrEqualTo(most + 4096L);
    }

    @Test
    void noTwoFamiliesHaveOneName() {
        Set<String> names = new HashSet<>();
        Families.ALL.forEach(
                f -> f.names().forEach(n -> assertThat(names.add(n)).as(n).isTrue()));
    }

    @Test
    void eachShowsItsRecordsHoweverFewBytesThereAre() {
        for (Family family : Families.ALL) {
            for (String fs : family.names()) {
                RecordShape shape = family.describe(fs);
                for (int fill : new int[] {0, 0xff, 0x41}) {
                    for (int length = 32; length <= shape.most(); length++) {
                        byte[] record = new byte[length];
                        Arrays.fill(record, (byte) fill);
                        int own = shape.lengthOf(record);
                        assertThat(own).isBetween(0, length);
                        shape.fieldsOf(Arrays.copyOf(record, own)).forEach(f -> assertThat(f.at() + f.length())
                                .as(fs + ": " + f)
                                .isLessThanOrEqualTo(own));
                    }
                }
            }
        }
    }

    @Test
    void whatNoFamilyKnowsIsSaidWithItsPlace() {
        FaultySource noise = new FaultySource(new byte[1 << 20]);
        assertThatThrownBy(() -> Families.open(noise, new Range(0, noise.size())))
                .isInstanceOf(NotThisFormat.class)
                .hasMessageContaining("at byte");
    }
}
