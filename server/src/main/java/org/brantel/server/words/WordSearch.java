package org.brantel.server.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.brantel.core.question.Condition;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.BesideLines;
import org.brantel.server.platform.LineNumbers;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Finds lines by the words inside; words that follow one another as they were said, the last one may go on. */
@Component
class WordSearch implements BesideLines {

    private static final String ASKED = "(nullif(phraseto_tsquery('simple', ?)::text, '') || ':*')::tsquery";
    private static final String LINES =
            "select line_id from catalogue_words where case_id = ? and searched @@ " + ASKED;

    /** Letters that no text means anything by: around what was asked for. */
    private static final char OPEN = '\ue000';

    private static final char CLOSE = '\ue001';
    private static final String SHOWN = "MaxFragments=3, MinWords=8, MaxWords=20, FragmentDelimiter=\" … \", StartSel="
            + OPEN + ", StopSel=" + CLOSE;

    private static final String WHAT = "what is said in the files";

    private final Insides insides;
    private final Cases cases;
    private final Locks locks;
    private final JdbcTemplate sql;

    WordSearch(Insides insides, Cases cases, Locks locks, JdbcTemplate sql) {
        this.insides = insides;
        this.cases = cases;
        this.locks = locks;
        this.sql = sql;
    }

    /** Refuses where the customer did not agree to contents. */
    void open(String number) {
        locks.look(number, Look.CONTENTS, WHAT);
    }

    /** Why nobody may look; null where the customer agreed. */
    @Nullable
    String closed(String number) {
        return locks.closed(number, Look.CONTENTS, WHAT);
    }

    /** What the customer does not agree to any more is not kept either. */
    @EventListener
    @Transactional
    public void consentNarrowed(Cases.ConsentNarrowed change) {
        forgetClosed(change.caseNumber());
    }

    /** Where nobody may look, nothing is kept. */
    @Transactional
    public void forgetClosed(String number) {
        if (closed(number) != null) {
            insides.deleteOfCase(cases.id(number));
        }
    }

    /** Lines whose words were tried, and not given up. */
    long looked(long caseId) {
        return insides.countByCaseIdAndOutcomeNotIn(caseId, List.of(Outcome.LATE, Outcome.GREEDY));
    }

    /** Lines that have words. */
    long said(long caseId) {
        return insides.countByCaseIdAndOutcomeIn(caseId, List.of(Outcome.READ, Outcome.CUT, Outcome.PARTLY));
    }

    @Override
    public @Nullable LineNumbers asked(long caseId, Condition c) {
        String words = c instanceof Condition.Text t ? t.words() : c instanceof Condition.Inside i ? i.words() : null;
        return words == null || !locks.mayLook(cases.number(caseId), Look.CONTENTS)
                ? null
                : new LineNumbers(LINES, List.of(caseId, words));
    }

    /** The line that stays is read anew if its bytes are others now. */
    @Override
    public void takeIn(long caseId, Map<Long, Long> gone) {
        insides.deleteOf(gone.keySet());
    }

    /** Where words stand in a line's text; no pieces where they do not. */
    WordsViews.Excerpt excerpt(long line, String words) {
        return sql
                .query(
                        "select outcome, case when searched @@ " + ASKED + " then ts_headline('simple', said, " + ASKED
                                + ", ?) else '' end from catalogue_words where line_id = ?",
                        (row, n) -> new WordsViews.Excerpt(
                                Outcome.valueOf(row.getString(1)).sentence(), pieces(row.getString(2))),
                        words,
                        words,
                        SHOWN,
                        line)
                .stream()
                .findFirst()
                .orElse(new WordsViews.Excerpt("Its words were not read yet.", List.of()));
    }

    private static List<WordsViews.Piece> pieces(@Nullable String shown) {
        List<WordsViews.Piece> pieces = new ArrayList<>();
        StringBuilder one = new StringBuilder();
        boolean asked = false;
        for (char c : (shown == null ? "" : shown).toCharArray()) {
            if (c == OPEN || c == CLOSE) {
                add(pieces, one, asked);
                asked = c == OPEN;
            } else {
                one.append(c);
            }
        }
        add(pieces, one, asked);
        return pieces;
    }

    private static void add(List<WordsViews.Piece> pieces, StringBuilder one, boolean asked) {
        if (!one.isEmpty()) {
            pieces.add(new WordsViews.Piece(one.toString(), asked));
            one.setLength(0);
        }
    }
}
