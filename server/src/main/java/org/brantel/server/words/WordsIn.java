package org.brantel.server.words;

/**
 * The words of a file.
 *
 * @param said empty where nothing was read
 */
record WordsIn(Outcome outcome, String said) {

    static WordsIn not(Outcome why) {
        return new WordsIn(why, "");
    }

    /** @param cut whether there is more of it */
    static WordsIn of(String text, boolean cut) {
        // The database holds no such letter, and a space is as good as many.
        String said = text.replace('\0', ' ').replaceAll("\\s+", " ").strip();
        return said.isEmpty() ? not(Outcome.NOTHING) : new WordsIn(cut ? Outcome.CUT : Outcome.READ, said);
    }
}
