package org.brantel.server.words;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Ask;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Has the words of a case read, and says how far they are. */
@Service
class Words {

    private static final String READING = "reading words";

    private final WordsRuns runs;
    private final WordSearch search;
    private final Catalogues catalogues;
    private final Cases cases;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> wordsTask;
    private final Clock clock;

    Words(
            WordsRuns runs,
            WordSearch search,
            Catalogues catalogues,
            Cases cases,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> wordsTask,
            Clock clock) {
        this.runs = runs;
        this.search = search;
        this.catalogues = catalogues;
        this.cases = cases;
        this.happenings = happenings;
        this.jobs = jobs;
        this.wordsTask = wordsTask;
        this.clock = clock;
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
        long caseId = cases.id(number);
        WordsRun last = runs.findFirstByCaseIdOrderByIdDesc(caseId).orElse(null);
        if (last != null && last.state().isAtWork()) {
            throw Refusal.conflict("The words of " + number + " are being read already.");
        }
        if (catalogues.countOfKinds(number, Extraction.kinds()) == 0) {
            throw Refusal.conflict("The catalogue of " + number + " has no documents whose words could be read.");
        }
        WordsRun run = runs.save(new WordsRun(caseId, who, clock.instant()));
        happenings.tell(number, who, "began " + READING, "run " + run.id(), Topic.WORDS);
        jobs.start(wordsTask, run.id());
        return state(number);
    }

    @Transactional
    WordsViews.State pause(String number, String who) {
        WordsRun run = runs.findFirstByCaseIdOrderByIdDesc(cases.id(number))
                .filter(r -> r.state().isAtWork())
                .orElseThrow(() -> Refusal.conflict("No words are being read, so there is nothing to pause."));
        run.ask(Ask.PAUSE);
        happenings.tell(number, who, "asked to pause " + READING, "run " + run.id(), Topic.WORDS);
        return state(number);
    }
}
