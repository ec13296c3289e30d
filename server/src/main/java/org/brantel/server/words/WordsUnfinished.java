package org.brantel.server.words;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.springframework.stereotype.Component;

/** Files whose words are being read. */
@Component
class WordsUnfinished implements Unfinished {

    private final WordsRuns runs;
    private final Cases cases;

    WordsUnfinished(WordsRuns runs, Cases cases) {
        this.runs = runs;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return runs.findFirstByCaseIdOrderByIdDesc(cases.id(caseNumber)).stream()
                .filter(run -> run.state().isAtWork())
                .map(run -> "Words in its files are being read; pause that first.")
                .toList();
    }
}
