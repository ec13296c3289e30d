package org.brantel.server.words;

import java.util.regex.Pattern;

/**
 * The words of a file.
 *
 * @param said lines of words; empty where nothing was read
 */
public record WordsIn(Outcome outcome, String said) {

    private static final Pattern SPACES = Pattern.compile("[\\p{Z}\\t\\x0b\\f\\x00]+");
    private static final Pattern LINES = Pattern.compile(" ?[\\r\\n][\\s]*");

    static WordsIn not(Outcome why) {
        return new WordsIn(why, "");
    }

    /** @param cut whether there is more of it */
    static WordsIn of(String text, boolean cut) {
        // The database holds no letter of number 0, and a space is as good as many.
        String said = LINES.matcher(SPACES.matcher(text).replaceAll(" "))
                .replaceAll("\n")
                .strip();
        return said.isEmpty() ? not(Outcome.NOTHING) : new WordsIn(cut ? Outcome.CUT : Outcome.READ, said);
    }

    /** Of content that is damaged, or has bytes that were never read: there may be more words than were read. */
    WordsIn partly() {
        return outcome == Outcome.READ || outcome == Outcome.CUT ? new WordsIn(Outcome.PARTLY, said) : this;
    }

    /** The outcome and what is said, in one text. */
    String answer() {
        return outcome.name() + "\n" + said;
    }

    static WordsIn ofAnswer(String answer) {
        int end = answer.indexOf('\n');
        return new WordsIn(Outcome.valueOf(answer.substring(0, end)), answer.substring(end + 1));
    }
}
