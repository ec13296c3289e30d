package org.brantel.server.staff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.brantel.server.platform.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;

class GoodPasswordTest {

    private static void check(String password) {
        GoodPassword.check(password, "hilda", "Hilda Crane");
    }

    @ParameterizedTest
    @CsvSource({
        "short, at least 12",
        "elevenchars, at least 12",
        "aaaaaaaaaaaaaaaa, repeats itself",
        "abcabcabcabc, repeats itself",
        "123456789012, runs along",
        "qwertyuiop1234, runs along",
        "9876543210abcdefgh, runs along",
        "Password2026!, tried first",
        "P@$$w0rd1234, tried first",
        "Summer-2026-Summer, tried first",
        "iloveyou!iloveyou, tried first",
        "letmein-welcome-1, tried first",
        "HildaCrane1987!, your name",
        "hilda.crane.sea, your name"
    })
    void whatIsGuessedFirstIsRefusedInASentence(String password, String why) {
        assertThatThrownBy(() -> check(password)).isInstanceOf(Refusal.class).hasMessageContaining(why);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "salt gannet lantern rope",
                "skerrow-demo",
                "a good password",
                "first password",
                "Ærfuglen på svaberget",
                "k9$vTq2!mZp7",
                "夜の海に灯台がひとつだけ見える",
                "abcd but then a heron"
            })
    void severalWordsAreTaken(String password) {
        check(password);
    }

    @Test
    void aVeryLongOneIsRefused() {
        String words = "salt gannet lantern rope ";
        check(words.repeat(3) + "and a heron");
        assertThatThrownBy(() -> check("a heron " + words.repeat(40) + "!")).hasMessageContaining("1,000");
    }

    /** bcrypt reads 72 bytes. */
    @Test
    void passwordsAreToldApartByTheirEnds() {
        Stretched passwords = new Stretched();
        String long1 = "x".repeat(100) + "1";
        String kept = passwords.encode(long1);
        assertThat(kept).startsWith(Stretched.KIND).doesNotContain("x".repeat(20));
        assertThat(passwords.matches(long1, kept)).isTrue();
        assertThat(passwords.matches("x".repeat(100) + "2", kept)).isFalse();
        assertThat(passwords.matches(long1, null)).isFalse();
        assertThat(passwords.upgradeEncoding(kept)).isFalse();
    }

    @Test
    void whatWasKeptBeforeStillMatches() {
        Stretched passwords = new Stretched();
        String before = new BCryptPasswordEncoder().encode("salt gannet");
        assertThat(passwords.matches("salt gannet", before)).isTrue();
        assertThat(passwords.matches("salt heron", before)).isFalse();
        assertThat(passwords.upgradeEncoding(before)).isTrue();
    }
}
