package org.brantel.server.words;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Passes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Has the words of a case read, and says how far they are. */
@Service
class Words {

    private final WordsRuns runs;
    private final WordSearch search;
    private final Catalogues catalogues;
    private final Cases cases;
    private final Passes passes;
    private final Passes.Kind<WordsRun> kind;

    Words(
            WordsRuns runs,
            WordSearch search,
            Catalogues catalogues,
            Cases cases,
            Passes passes,
            OneTimeTask<Long> wordsTask) {
        this.runs = runs;
        this.search = search;
        this.catalogues = catalogues;
        this.cases = cases;
        this.passes = passes;
        this.kind = new Passes.Kind<>(runs, runs::save, "reading words", Topic.WORDS, wordsTask);
    }

    @Transactional(readOnly = true)
    WordsViews.State state(String number) {
        long caseId = cases.id(number);
        // Before the counts, which then hold all that it did.
        WordsViews.Run run =
                runs.findFirstByCaseIdOrderByIdDesc(caseId).map(WordsRun::view).orElse(null);
        return new WordsViews.State(
                catalogues.countOfKinds(number, Extraction.kinds()),
                search.looked(caseId),
                search.said(caseId),
                search.closed(number),
                run);
    }

    /** Reads what was not read yet, or goes on with it. */
    @Transactional
    WordsViews.State start(String number, String who) {
        search.open(number);
        if (catalogues.countOfKinds(number, Extraction.kinds()) == 0) {
            throw Refusal.conflict("The catalogue of " + number + " has no documents whose words could be read.");
        }
        passes.begin(kind, number, who, (caseId, at) -> new WordsRun(caseId, who, at));
        return state(number);
    }

    @Transactional
    WordsViews.State pause(String number, String who) {
        passes.pause(kind, number, who);
        return state(number);
    }
}
