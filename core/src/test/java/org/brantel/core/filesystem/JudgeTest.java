package org.brantel.core.filesystem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.brantel.core.filesystem.SmallVolume.CLUSTER;
import static org.brantel.core.filesystem.SmallVolume.FIRST_BYTE;
import static org.brantel.core.filesystem.SmallVolume.file;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.junit.jupiter.api.Test;

class JudgeTest {

    private static final int SIZE = 2 * CLUSTER;

    private static Finding live(SmallVolume v, FileRecord... files) throws Exception {
        Judge judge = v.judge(false);
        for (FileRecord f : files) {
            judge.claim(f);
        }
        for (FileRecord f : files) {
            judge.live(f);
        }
        return v.finding(files[0].name());
    }

    @Test
    void aLiveFileWhoseClustersNobodyElseClaimsIsWhole() throws Exception {
        SmallVolume v = new SmallVolume(8);
        Finding f = live(v, file("tide.bin", SIZE, v.at(SIZE, 2, 5)), file("wind.bin", SIZE, v.at(SIZE, 3, 4)));
        assertThat(f.origin()).isEqualTo(Origin.LIVE);
        assertThat(f.prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(f.score()).isEqualTo(99);
        assertThat(f.reasons()).containsExactly("Its record is complete and no other file claims its clusters.");
        assertThat(f.extents())
                .containsExactly(new Extent(FIRST_BYTE, CLUSTER), new Extent(FIRST_BYTE + 3 * CLUSTER, CLUSTER));
    }

    @Test
    void clustersOfTwoLiveFilesAreCountedAtBoth() throws Exception {
        SmallVolume v = new SmallVolume(8);
        Finding f = live(v, file("tide.bin", SIZE, v.at(SIZE, 2, 3)), file("wind.bin", SIZE, v.at(SIZE, 3, 4)));
        assertThat(f.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(f.reasons()).containsExactly("1 of its 2 clusters are claimed by another live file as well.");
        assertThat(v.finding("wind.bin").reasons()).isEqualTo(f.reasons());
    }

    @Test
    void bytesThatWereNeverReadAreAGapOfJustSoMany() throws Exception {
        SmallVolume v = new SmallVolume(8).unread(3);
        Finding f = live(v, file("tide.bin", SIZE - 100, v.at(SIZE - 100, 2, 3)));
        assertThat(f.prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(f.reasons().get(0)).startsWith("412 of 924 bytes were never read");
        assertThat(f.score()).isEqualTo(85 * 512 / 924);
    }

    @Test
    void whatLiesBeyondTheMediumIsAGapAndLeadsNowhere() throws Exception {
        SmallVolume v = new SmallVolume(4);
        Finding f = live(v, file("tide.bin", SIZE, new Placement.Known(v.extents(5, 6))));
        assertThat(f.prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(f.extents()).containsExactly(new Extent(FIRST_BYTE + 3 * CLUSTER, CLUSTER));
    }

    @Test
    void aHoleLargerThanAnySuchMediumIsLeftOutAndSaid() throws Exception {
        SmallVolume v = new SmallVolume(4);
        long claim = 17L * v.medium.length;
        Placement vast = new Placement.Known(
                List.of(new Extent(Extent.HOLE, claim), v.extents(2).get(0)));
        Finding f = live(v, file("tide.bin", claim + CLUSTER, vast));
        assertThat(f.extents()).containsExactly(new Extent(FIRST_BYTE, CLUSTER));
        assertThat(f.prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(f.reasons()).anyMatch(r -> r.contains("the hole is left out"));
    }

    @Test
    void aRecordsOwnFaultsMakeItDoubtful() throws Exception {
        SmallVolume v = new SmallVolume(4);
        Finding f = live(v, file("a", CLUSTER, v.at(CLUSTER, 2), SmallVolume.MONDAY, new Fault.Checksum()));
        assertThat(f.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(f.reasons()).containsExactly("Its record fails its checksum.");
    }

    @Test
    void contentIsCheckedOnlyWhereItIsAskedFor() throws Exception {
        byte[] broken = "%PDF-1.7 and no more".getBytes(StandardCharsets.ISO_8859_1);
        SmallVolume unchecked = new SmallVolume(4).put(broken, 2);
        Finding trusted = live(unchecked, file("chart.pdf", broken.length, unchecked.at(broken.length, 2)));
        assertThat(trusted.prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(trusted.proven()).isNull();
        SmallVolume checked = new SmallVolume(4).put(broken, 2).checkingLive();
        Finding failed = live(checked, file("chart.pdf", broken.length, checked.at(broken.length, 2)));
        assertThat(failed.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(failed.score()).isEqualTo(20);
        assertThat(failed.reasons().get(0)).startsWith("As pdf it fails its check: ");
    }

    @Test
    void whatALaterVolumeUsesIsCountedInBytes() throws Exception {
        SmallVolume some = new SmallVolume(8).madeOver(3);
        Finding partly = live(some, file("tide.bin", SIZE, some.at(SIZE, 2, 3)));
        assertThat(partly.origin()).isEqualTo(Origin.EARLIER);
        assertThat(partly.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(partly.reasons()).contains("The volume that was made over this one uses 512 of its 1024 bytes.");
        SmallVolume all = new SmallVolume(8).madeOver(2).madeOver(3);
        Finding gone = live(all, file("tide.bin", SIZE, all.at(SIZE, 2, 3)));
        assertThat(gone.prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
        assertThat(gone.reasons())
                .containsExactly("Overwritten: the volume that was made over this one uses all of its 1024 bytes.");
    }

    @Test
    void aNameThatLostItsFirstLetterIsSaidToHaveLostIt() throws Exception {
        SmallVolume v = new SmallVolume(4);
        FileRecord f = new FileRecord(
                Named.of("/_IDE.TXT", "_IDE.TXT"),
                false,
                CLUSTER,
                v.at(CLUSTER, 2),
                null,
                Times.NONE,
                List.of(),
                RecordFacts.NONE);
        assertThat(live(v, f).reasons()).contains("The first letter of its name is lost; it is shown as _.");
    }

    @Test
    void packedContentProvesItselfUnitByUnit() throws Exception {
        SmallVolume v = new SmallVolume(16);
        FileRecord f = new FileRecord(
                Named.of("/a", "a"),
                true,
                4096,
                // Two clusters of a unit of eight; the hole after them says that it is packed.
                new Placement.Known(List.of(new Extent(FIRST_BYTE, 2 * CLUSTER), new Extent(Extent.HOLE, 6 * CLUSTER))),
                new Packing(4096),
                Times.NONE,
                List.of(),
                RecordFacts.at(7, List.of()));
        Fault fault = v.judge(false).packingFault(f, f.placement().extents());
        assertThat(fault).isEqualTo(new Fault.Packed(1, 1));
        assertThat(v.judge(false).packingFault(file("b", 9, v.at(9, 2)), v.extents(2)))
                .isNull();
    }

    @Test
    void zerosCountOnlyWhereSomethingIsStored() throws Exception {
        SmallVolume v = new SmallVolume(8)
                .put(new byte[CLUSTER], 4)
                .put(new byte[CLUSTER], 5)
                .unread(5);
        Judge judge = v.judge(false);
        FileRecord any = file("a", CLUSTER, v.at(CLUSTER, 4));
        assertThat(judge.isZero(any, v.extents(4))).isTrue();
        assertThat(judge.isZero(any, v.extents(2))).isFalse();
        assertThat(judge.isZero(any, v.extents(5))).as("a byte is missing").isFalse();
        assertThat(judge.isZero(any, List.of(new Extent(Extent.HOLE, CLUSTER)))).isFalse();
    }

    @Test
    void eachFaultSaysItsNumbersAndWhetherAnythingCanBeLeft() {
        says(new Fault.InUse(3, 8), "Live data stands in 3 of its 8 clusters.");
        says(new Fault.InUse(8, 8), "Overwritten: live data stands in all of its 8 clusters.");
        says(
                new Fault.ClaimedSince(2, 9),
                "2 of its 9 clusters are claimed by a file deleted later, or proven to be another's.");
        says(new Fault.BrokenChain(4, 9, null), "Its chain holds 4 of 9 clusters: it ends early.");
        says(new Fault.BrokenChain(4, 9, "cluster 17 is free"), "Its chain holds 4 of 9 clusters: cluster 17 is free.");
        says(
                new Fault.Unplaced(10, 99, "block 7 was not read"),
                "Only 10 of its 99 bytes are placed: block 7 was not read.");
        says(
                new Fault.BeyondVolume(77),
                "Its record claims 77 bytes, more than the volume holds from its first cluster on.");
        says(new Fault.OnlyItsName("its record was given away"), "Overwritten: its record was given away.");
        assertThat(new Fault.ClaimedSince(2, 9).trust()).isLessThan(new Fault.Checksum().trust());
        assertThat(new Fault.ClaimedSince(9, 9).overwrites()).isTrue();
    }

    private static void says(Fault fault, String words) {
        assertThat(fault.words()).isEqualTo(words);
        assertThat(fault.overwrites()).isEqualTo(words.startsWith("Overwritten: "));
    }
}
