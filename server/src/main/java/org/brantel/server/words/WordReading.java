package org.brantel.server.words;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.brantel.server.workers.Workers;
import org.springframework.stereotype.Component;

/** Reads the words of documents, each in a process that may die of it. */
@Component
public class WordReading {

    private final Workers workers;

    WordReading(Workers workers) {
        this.workers = workers;
    }

    /** Whether words of a kind are read. */
    public boolean reads(String kind) {
        return Extraction.kinds().contains(kind);
    }

    /** @param kind one of those that are read */
    public WordsIn of(String kind, byte[] content) {
        try {
            return WordsIn.ofAnswer(new String(workers.work(Extraction.class, kind, content), StandardCharsets.UTF_8));
        } catch (Workers.Died e) {
            return WordsIn.not(e.isLate() ? Outcome.LATE : Outcome.GREEDY);
        } catch (IOException damaged) {
            return WordsIn.not(Outcome.DAMAGED);
        }
    }
}
