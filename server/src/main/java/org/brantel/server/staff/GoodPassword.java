package org.brantel.server.staff;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;

/** What a new password must be: long, and nothing that is guessed first. Which signs it has is its owner's affair. */
final class GoodPassword {

    /** Characters. */
    static final int SHORTEST = 12;
    /** More nobody types, and hashing it is work. */
    private static final int LONGEST = 1000;
    /** Letters that a password has beside somebody's name, what is common, and what keys or the alphabet give. */
    private static final int OWN = 6;

    private static final int FEWEST_SIGNS = 5;

    /** Words and phrases that are tried first, one a line, in lower case, without digits for letters. */
    private static final Set<String> COMMON = read();

    /** What fingers run over, and what is counted up. */
    private static final List<String> RUNS = List.of(
            "01234567890", "abcdefghijklmnopqrstuvwxyz", "qwertyuiop", "asdfghjkl", "zxcvbnm", "qwertzuiop", "yxcvbnm");

    private static final Pattern REPEATED = Pattern.compile("(.{1,4})\\1+.{0,3}", Pattern.DOTALL);
    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}]+");

    /** What is put at the end since a rule asked for digits and signs. */
    private static final Pattern END = Pattern.compile("[^\\p{L}]+$");

    private GoodPassword() {}

    /** @throws Refusal when it is none */
    static void check(@Nullable String password, String login, String name) {
        if (password == null || password.codePointCount(0, password.length()) < SHORTEST) {
            throw refused("A password needs at least " + SHORTEST + " characters.");
        }
        if (password.length() > LONGEST) {
            throw refused("A password has at most 1,000 characters.");
        }
        String plain = Normalizer.normalize(password, Normalizer.Form.NFKC).toLowerCase(Locale.ROOT);
        if (plain.chars().distinct().count() < FEWEST_SIGNS
                || REPEATED.matcher(plain).matches()) {
            throw refused("This password repeats itself; take several words that do not belong together.");
        }
        if (withoutRuns(plain).length() < OWN) {
            throw refused("This password runs along the keys or the alphabet; take several words instead.");
        }
        if (isCommon(plain)) {
            throw refused("This password is one of those that are tried first; take several words that do not belong"
                    + " together.");
        }
        if (isWhose(plain, login, name)) {
            throw refused("This password is hardly more than your name; take several words instead.");
        }
    }

    private static Refusal refused(String sentence) {
        return Refusal.badInput("password", sentence);
    }

    /** Without stretches of four or more that follow each other on the keys, in the alphabet or in counting. */
    private static String withoutRuns(String plain) {
        StringBuilder rest = new StringBuilder();
        for (int at = 0; at < plain.length(); ) {
            int run = run(plain, at);
            if (run < 4) {
                rest.append(plain.charAt(at));
                at++;
            } else {
                at += run;
            }
        }
        return rest.toString();
    }

    private static int run(String plain, int from) {
        int longest = 1;
        for (String row : RUNS) {
            longest = Math.max(longest, run(plain, from, row));
            longest = Math.max(
                    longest, run(plain, from, new StringBuilder(row).reverse().toString()));
        }
        return longest;
    }

    private static int run(String plain, int from, String row) {
        int length = 1;
        while (from + length < plain.length() && row.contains(plain.substring(from, from + length + 1))) {
            length++;
        }
        return length;
    }

    /** Whether it is a common word or two, with signs and digits before, between or after, or digits for letters. */
    private static boolean isCommon(String plain) {
        return isCommonWords(NO_LETTERS.matcher(plain).replaceAll(""))
                || isCommonWords(NO_LETTERS
                        .matcher(spelled(END.matcher(plain).replaceAll("")))
                        .replaceAll(""));
    }

    private static boolean isCommonWords(String letters) {
        if (letters.isEmpty() || COMMON.contains(letters)) {
            return true;
        }
        for (int at = 1; at < letters.length(); at++) {
            if (COMMON.contains(letters.substring(0, at)) && COMMON.contains(letters.substring(at))) {
                return true;
            }
        }
        return false;
    }

    private static String spelled(String plain) {
        String digits = "013457@$!";
        String letters = "oieastasi";
        return plain.chars()
                .mapToObj(c -> {
                    int at = digits.indexOf(c);
                    return String.valueOf(at < 0 ? (char) c : letters.charAt(at));
                })
                .collect(Collectors.joining());
    }

    private static boolean isWhose(String plain, String login, String name) {
        String rest = plain;
        for (String part : (login + " " + name).toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
            rest = part.length() < 3 ? rest : rest.replace(part, "");
        }
        return rest.length() < plain.length()
                && NO_LETTERS.matcher(rest).replaceAll("").length() < OWN;
    }

    private static Set<String> read() {
        try (InputStream in = Objects.requireNonNull(GoodPassword.class.getResourceAsStream("/passwords/common.txt"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(String::strip)
                    .filter(line -> !line.isEmpty())
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
