package org.brantel.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import org.junit.jupiter.api.Test;

class StandingTest {

    private static String at(String path, String name, String trashedFrom) {
        Standing stands = Standing.of(path, name, trashedFrom);
        return stands.folder() + " | " + stands.name() + (stands.trashed() ? " | trash" : "");
    }

    @Test
    void aFileStandsWhereItsRecordSays() {
        assertThat(at("/Band/march.mp3", "march.mp3", null)).isEqualTo("/Band | march.mp3");
        assertThat(at("/march.mp3", "march.mp3", null)).isEqualTo(" | march.mp3");
        assertThat(at("//Band//old/march.mp3", "march.mp3", null)).isEqualTo("/Band/old | march.mp3");
        assertThat(Standing.of(null, "at-512.jpg", null)).isNull();
    }

    @Test
    void whatIsInTheTrashStandsWhereItWasDeletedFrom() {
        assertThat(at("/$Recycle.Bin/S-1/$RA1.jpg", "$RA1.jpg", "C:/Users/Ann/hive.jpg"))
                .isEqualTo("/Users/Ann | hive.jpg | trash");
        assertThat(at("/RECYCLER/S-1/Dc1.doc", "Dc1.doc", "D:\\minutes.doc")).isEqualTo(" | minutes.doc | trash");
        assertThat(at("/.Trash-1000/files/a.txt", "a.txt", "letters/a.txt")).isEqualTo("/letters | a.txt | trash");
        assertThat(at("/.Trashes/501/a.txt", "a.txt", ""))
                .as("no record says from where")
                .isEqualTo("/.Trashes/501 | a.txt");
        assertThat(at("/.Trash-1000/files/a.txt", "a.txt", "C:/"))
                .as("a record that names nothing")
                .isEqualTo("/.Trash-1000/files | a.txt");
    }

    @Test
    void aNameMayHoldASlashOfItsOwn() {
        assertThat(at("/Band/a/b", "a/b", null)).isEqualTo("/Band | a/b");
    }

    @Test
    void foldersWithoutEndAreFewWithALongName() {
        Standing stands = Standing.of("/d".repeat(500) + "/x", "x", null);
        assertThat(stands.folders()).hasSize(60);
        assertThat(stands.folders().get(59)).isEqualTo("d/".repeat(440) + "d");
        assertThat(stands.folders().subList(0, 59)).isEqualTo(Collections.nCopies(59, "d"));
    }
}
