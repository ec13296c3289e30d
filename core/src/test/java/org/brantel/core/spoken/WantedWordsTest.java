package org.brantel.core.spoken;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.brantel.core.wanted.WantedLine;
import org.junit.jupiter.api.Test;

class WantedWordsTest {

    private static WantedLine read(String words) {
        return WantedWords.read(words, LocalDate.of(2026, 11, 25)).orElseThrow();
    }

    @Test
    void howManyIsReadFromNumbersAndWords() {
        assertThat(read("about forty voice memos from last June").hopedFor()).isEqualTo(40);
        assertThat(read("a dozen photos of the comb").hopedFor()).isEqualTo(12);
        assertThat(read("twenty-four scores").hopedFor()).isEqualTo(24);
        assertThat(read("1,200 old pictures").hopedFor()).isEqualTo(1200);
        assertThat(read("a couple of hundred recordings").hopedFor()).isEqualTo(200);
        assertThat(read("storm notes, maybe forty").hopedFor()).isEqualTo(40);
    }

    @Test
    void yearsSizesAndTimesAreNotHowMany() {
        assertThat(read("lab notes since 2011").hopedFor()).isZero();
        assertThat(read("scans over 20 MB").hopedFor()).isZero();
        assertThat(read("photos of 3 weeks ago").hopedFor()).isZero();
        assertThat(read("chapter 12 of the thesis").hopedFor()).isZero();
    }

    @Test
    void kindsAreReadFromWhatPeopleCallThem() {
        assertThat(read("voice memos").kinds()).containsExactly("audio");
        assertThat(read("photos and videos").kinds()).containsExactly("image", "video");
        assertThat(read("the hive logbook as xlsx").kinds()).containsExactly("sheet", "xlsx");
        assertThat(read("diaries").kinds()).containsExactly("document");
        assertThat(read("everything from the old machine").kinds()).isEmpty();
    }

    @Test
    void timesAreRead() {
        assertThat(read("notes since 2011"))
                .extracting(w -> w.days().from(), w -> w.days().to())
                .containsExactly(LocalDate.of(2011, 1, 1), null);
        assertThat(read("letters before 2015"))
                .extracting(w -> w.days().from(), w -> w.days().to())
                .containsExactly(null, LocalDate.of(2014, 12, 31));
        assertThat(read("photos from 2019 to 2021"))
                .extracting(w -> w.days().from(), w -> w.days().to())
                .containsExactly(LocalDate.of(2019, 1, 1), LocalDate.of(2021, 12, 31));
        assertThat(read("photos from 2019 to now"))
                .extracting(w -> w.days().from(), w -> w.days().to())
                .containsExactly(LocalDate.of(2019, 1, 1), null);
        assertThat(read("letters 1998-2004"))
                .extracting(w -> w.days().from(), w -> w.days().to())
                .containsExactly(LocalDate.of(1998, 1, 1), LocalDate.of(2004, 12, 31));
    }

    @Test
    void namesAndFoldersBecomePatterns() {
        assertThat(read("her thesis in thesis_final*.odt").pattern()).isEqualTo("thesis_final*.odt");
        assertThat(read("pictures called harbour").pattern()).isEqualTo("*harbour*");
        assertThat(read("the tables in the folder Staves").pattern()).isEqualTo("Staves/*");
        assertThat(read("letters in \"Old Parish\" folder").pattern()).isEqualTo("Old Parish/*");
        assertThat(read("the file \"Gale plan\"").pattern()).isEqualTo("*Gale plan*");
    }

    @Test
    void sizesAndWishesAreRead() {
        assertThat(read("scans over 20 MB, if you can"))
                .extracting(WantedLine::minBytes, WantedLine::mustHave)
                .containsExactly(20_000_000L, false);
        assertThat(read("videos larger than 1GiB").minBytes()).isEqualTo(1L << 30);
        assertThat(read("the marches").mustHave()).isTrue();
        assertThat(WantedWords.read("   ", LocalDate.of(2026, 11, 25))).isEmpty();
    }
}
