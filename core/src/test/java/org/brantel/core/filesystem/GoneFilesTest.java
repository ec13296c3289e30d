package org.brantel.core.filesystem;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;
import static org.brantel.core.filesystem.SmallVolume.CLUSTER;
import static org.brantel.core.filesystem.SmallVolume.MONDAY;
import static org.brantel.core.filesystem.SmallVolume.TUESDAY;
import static org.brantel.core.filesystem.SmallVolume.file;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.junit.jupiter.api.Test;

/** Deleted files of a volume that is laid out cluster by cluster here. */
class GoneFilesTest {

    private static final int THREE = 3 * CLUSTER - 40;

    private static Placement erased(long first) {
        return new Placement.Erased(first, false);
    }

    private static void gone(SmallVolume v, FileRecord... files) throws IOException {
        v.judge(false).gone(List.of(files), Origin.DELETED);
    }

    /** Of three clusters and a bit; a picture whose every byte is held by checksums. */
    private static byte[] picture(int seed) throws IOException {
        BufferedImage image = new BufferedImage(24, 22, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(seed);
        for (int i = 0; i < 24 * 22; i++) {
            image.setRGB(i % 24, i / 24, random.nextInt(1 << 24));
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        return png.toByteArray();
    }

    @Test
    void anErasedChainGoesStraightOnThroughWhatIsFree() throws Exception {
        SmallVolume v = new SmallVolume(16);
        gone(v, file("tide.bin", THREE, erased(4)));
        Finding f = v.finding("tide.bin");
        assertThat(f.prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(f.score()).isEqualTo(97);
        assertThat(f.reasons()).containsExactly("Nothing else claims any of its 3 clusters.");
        assertThat(f.extents()).isEqualTo(((Placement.Known) v.at(THREE, 4, 5, 6)).extents());
    }

    @Test
    void liveDataInItsClustersIsCounted() throws Exception {
        SmallVolume v = new SmallVolume(16);
        v.space.use(5);
        gone(v, file("tide.bin", THREE, v.at(THREE, 4, 5, 6)));
        assertThat(v.finding("tide.bin").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(v.finding("tide.bin").reasons()).contains("Live data stands in 1 of its 3 clusters.");
        SmallVolume all = new SmallVolume(16);
        all.space.use(4, 3);
        gone(all, file("tide.bin", THREE, all.at(THREE, 4, 5, 6)));
        assertThat(all.finding("tide.bin").prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
    }

    @Test
    void anAllocationThatWasNotReadIsSaidAsNotKnown() throws Exception {
        SmallVolume v = new SmallVolume(16);
        v.space.doubt(5);
        gone(v, file("tide.bin", THREE, v.at(THREE, 4, 5, 6)));
        assertThat(v.finding("tide.bin").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(v.finding("tide.bin").reasons().get(0)).contains("in 1 of its clusters is unknown");
    }

    /** What was there before the file was written was gone around; what came later lies over it. */
    @Test
    void anErasedChainGoesAroundOlderLiveFilesAndNotAroundNewerOnes() throws Exception {
        SmallVolume older = new SmallVolume(16);
        older.space.use(5);
        Judge judge = older.judge(true);
        judge.claim(older.extents(5), MONDAY);
        judge.gone(List.of(file("tide.bin", THREE, erased(4), TUESDAY)), Origin.DELETED);
        assertThat(older.finding("tide.bin").extents())
                .isEqualTo(((Placement.Known) older.at(THREE, 4, 6, 7)).extents());
        assertThat(older.finding("tide.bin").prognosis()).isEqualTo(Prognosis.DOUBTFUL);

        SmallVolume newer = new SmallVolume(16);
        newer.space.use(5);
        Judge other = newer.judge(true);
        other.claim(newer.extents(5), TUESDAY);
        other.gone(List.of(file("tide.bin", THREE, erased(4), MONDAY)), Origin.DELETED);
        assertThat(newer.finding("tide.bin").extents())
                .isEqualTo(((Placement.Known) newer.at(THREE, 4, 5, 6)).extents());
        assertThat(newer.finding("tide.bin").reasons()).contains("Live data stands in 1 of its 3 clusters.");
    }

    @Test
    void contentThatProvesItselfOutweighsTheTable() throws Exception {
        byte[] png = picture(1);
        SmallVolume v = new SmallVolume(16).put(png, 4, 5, 6, 7);
        v.space.use(5);
        gone(v, file("chart.png", png.length, v.at(png.length, 4, 5, 6, 7)));
        assertThat(v.finding("chart.png").prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(v.finding("chart.png").proven()).isEqualTo(1);
    }

    /** Other text reads as text, too: that of a deleted file, or what the table has given away since. */
    @Test
    void thatItReadsAsTextProvesNothingAgainstWhatWasWrittenSince() throws Exception {
        byte[] text = "High water at seven.\n"
                .repeat(THREE / 21 + 1)
                .substring(0, THREE)
                .getBytes(US_ASCII);
        SmallVolume v = new SmallVolume(16).put(text, 4, 5, 6);
        gone(
                v,
                file("before.txt", THREE, v.at(THREE, 4, 5, 6), MONDAY),
                file("since.txt", THREE, v.at(THREE, 4, 5, 6), TUESDAY));
        assertThat(v.finding("since.txt").prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(v.finding("since.txt").proven()).isZero();
        assertThat(v.finding("before.txt").prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
        assertThat(v.finding("before.txt").proven()).isNull();

        SmallVolume given = new SmallVolume(16).put(text, 4, 5, 6);
        given.space.use(5);
        gone(given, file("before.txt", THREE, given.at(THREE, 4, 5, 6)));
        assertThat(given.finding("before.txt").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
    }

    @Test
    void ofTwoOnTheSameClustersTheProvenOneOrTheLaterOneHasThem() throws Exception {
        byte[] png = picture(2);
        SmallVolume v = new SmallVolume(16).put(png, 4, 5, 6, 7);
        gone(
                v,
                file("later.bin", THREE, v.at(THREE, 6, 7, 8), TUESDAY),
                file("chart.png", png.length, v.at(png.length, 4, 5, 6, 7), MONDAY),
                file("early.bin", THREE, v.at(THREE, 8, 9, 10), MONDAY));
        assertThat(v.finding("chart.png").prognosis()).isEqualTo(Prognosis.WHOLE);
        Finding later = v.finding("later.bin");
        assertThat(later.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(later.score()).isEqualTo(30);
        assertThat(later.reasons())
                .containsExactly("2 of its 3 clusters are claimed by a file deleted later, or proven to be another's.");
        assertThat(v.finding("early.bin").prognosis())
                .as("what is in doubt itself takes nothing from others")
                .isEqualTo(Prognosis.WHOLE);
        assertThat(v.told.findings()).extracting(Finding::name).containsExactly("later.bin", "chart.png", "early.bin");
    }

    @Test
    void whatAnotherClaimsOfAGappedFileIsTrustedNoMoreThanOfAnyOther() throws Exception {
        SmallVolume v = new SmallVolume(16).unread(9);
        gone(
                v,
                file("later.bin", THREE, v.at(THREE, 4, 5, 6), TUESDAY),
                file("early.bin", THREE, v.at(THREE, 6, 8, 9), MONDAY));
        assertThat(v.finding("early.bin").prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(v.finding("early.bin").score()).isEqualTo(30);
    }

    @Test
    void allClustersOfAnotherAreNoneOfItsOwn() throws Exception {
        SmallVolume v = new SmallVolume(16);
        gone(v, file("later.bin", THREE, v.at(THREE, 4, 5, 6), TUESDAY), file("early.bin", 99, v.at(99, 5), MONDAY));
        assertThat(v.finding("later.bin").prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(v.finding("early.bin").prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
    }

    @Test
    void zerosAreOverwritingWhereTheKindCannotBeZeros() throws Exception {
        SmallVolume v = new SmallVolume(16).put(new byte[2 * CLUSTER], 4, 5);
        gone(v, file("tide.unheard", CLUSTER, v.at(CLUSTER, 4)), file("tide.txt", CLUSTER, v.at(CLUSTER, 5)));
        assertThat(v.finding("tide.unheard").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(v.finding("tide.unheard").reasons().get(0)).contains("that may be its content, or it was wiped");
        assertThat(v.finding("tide.txt").prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
    }

    @Test
    void aFileOfWhichOnlyItsNameIsLeftSaysWhy() throws Exception {
        SmallVolume v = new SmallVolume(4);
        gone(
                v,
                file("lost.txt", 90, new Placement.Lost("its record was given to another file")),
                file("nowhere.txt", 90, erased(0)),
                file("empty.txt", 0, erased(0)));
        assertThat(v.finding("lost.txt").reasons())
                .containsExactly("Overwritten: its record was given to another file.");
        assertThat(v.finding("nowhere.txt").prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
        assertThat(v.finding("nowhere.txt").extents()).isEmpty();
        assertThat(v.finding("empty.txt").prognosis()).isEqualTo(Prognosis.WHOLE);
    }

    @Test
    void aSizeThatTheVolumeCannotHoldIsSaid() throws Exception {
        SmallVolume v = new SmallVolume(8);
        gone(v, file("vast.bin", 1 << 20, erased(6)));
        assertThat(v.finding("vast.bin").reasons())
                .anyMatch(r -> r.contains("more than the volume holds from its first cluster on"));
        assertThat(v.finding("vast.bin").prognosis()).isNotEqualTo(Prognosis.WHOLE);
    }

    @Test
    void aRecordThatSaysItWasScatteredIsNotBelievedStraight() throws Exception {
        SmallVolume v = new SmallVolume(16);
        gone(v, file("tide.bin", THREE, new Placement.Erased(4, true)));
        assertThat(v.finding("tide.bin").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        byte[] png = picture(3);
        SmallVolume proven = new SmallVolume(16).put(png, 4, 5, 6, 7);
        gone(proven, file("chart.png", png.length, new Placement.Erased(4, true)));
        assertThat(proven.finding("chart.png").prognosis()).isEqualTo(Prognosis.WHOLE);
    }
}
