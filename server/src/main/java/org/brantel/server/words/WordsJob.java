package org.brantel.server.words;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.content.Extents;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.catalogue.LinePass;
import org.brantel.server.platform.Ticker;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Reads the words of all documents of a case that were not read yet. Stopped or killed, it goes on where it was. */
@Component
class WordsJob implements Labour<WordsRun> {

    private static final int BATCH = 100;
    private static final int LARGEST = 64 << 20;
    private static final int SHOWN_MILLIS = 500;

    private final WordsRuns runs;
    private final Insides insides;
    private final Catalogues catalogues;
    private final LinePass pass;
    private final ImagingRecords imaging;
    private final WordSearch search;
    private final WordReading words;

    WordsJob(
            WordsRuns runs,
            Insides insides,
            Catalogues catalogues,
            LinePass pass,
            ImagingRecords imaging,
            WordSearch search,
            WordReading words) {
        this.runs = runs;
        this.insides = insides;
        this.catalogues = catalogues;
        this.pass = pass;
        this.imaging = imaging;
        this.search = search;
        this.words = words;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> wordsTask(LongWork work, WordsJob job) {
            return work.define("words", job);
        }
    }

    @Override
    public String name() {
        return "reading words";
    }

    @Override
    public Topic topic() {
        return Topic.WORDS;
    }

    @Override
    public WordsRuns records() {
        return runs;
    }

    @Override
    public String consequence() {
        return "what was read can be searched, it can be begun again";
    }

    @Override
    public Step<WordsRun> work(WorkRun<WordsRun> run) throws IOException {
        int all = Math.toIntExact(catalogues.countOfKinds(run.number(), Extraction.kinds()));
        run.progress(r -> r.runOver(all));
        boolean asked;
        try (Reading reading = new Reading(run)) {
            asked = pass.over(run.number(), Extraction.kinds(), run.asked(), reading);
            reading.flush();
        } finally {
            // What was read while the customer took their yes back goes as well.
            search.forgetClosed(run.number());
        }
        if (asked && run.serverStops()) {
            throw run.leave();
        }
        WordsViews.Run v = run.fresh().view();
        return Step.<WordsRun>to(r -> r.end(asked, run.now()))
                .told(
                        asked ? "paused reading words" : "read the words inside",
                        "run " + run.id() + ": " + v.done() + " of " + v.total() + " documents, " + v.nothing()
                                + " without words, " + v.unreadable() + " not readable");
    }

    /** One run, with the images that it has open. */
    private final class Reading implements LinePass.Over, AutoCloseable {
        private final WorkRun<WordsRun> run;
        private Map<Long, Insides.Known> known = Map.of();
        private final Map<Long, Source> images = new HashMap<>();
        private final List<Inside> fresh = new ArrayList<>();
        private final List<Outcome> outcomes = new ArrayList<>();
        private final Ticker ticker = new Ticker(SHOWN_MILLIS);

        Reading(WorkRun<WordsRun> run) {
            this.run = run;
        }

        @Override
        public void lot(List<Catalogues.Selected> lines) {
            // A customer may take their yes back while it goes on.
            search.open(run.number());
            known = insides.known(lines.stream().map(l -> l.finding().id()).toList()).stream()
                    .collect(Collectors.toMap(Insides.Known::line, Function.identity()));
        }

        @Override
        public void line(Catalogues.Selected line) throws IOException {
            take(line, known.get(line.finding().id()));
        }

        private void take(Catalogues.Selected line, Insides.@Nullable Known known) throws IOException {
            String content = line.bytesName();
            if (known != null && !known.outcome().isGivenUp() && known.content().equals(content)) {
                outcomes.add(known.outcome());
            } else {
                WordsIn said = read(line);
                outcomes.add(said.outcome());
                fresh.add(new Inside(line.finding().id(), run.record().caseId(), content, said));
            }
            if (ticker.due() || fresh.size() >= BATCH) {
                flush();
            }
        }

        private WordsIn read(Catalogues.Selected line) throws IOException {
            Finding f = line.finding();
            long length = Math.min(f.size(), Extents.length(f.extents()));
            if (length > LARGEST) {
                return WordsIn.not(Outcome.LARGE);
            }
            if (length <= 0 || f.prognosis() == Prognosis.OVERWRITTEN) {
                return WordsIn.not(Outcome.NOTHING);
            }
            byte[] bytes = new byte[(int) length];
            boolean whole = f.content(image(line.imagingId()))
                    .read(0, bytes, 0, bytes.length)
                    .failed()
                    .isEmpty();
            WordsIn said = words.of(f.kind(), bytes);
            return whole ? said : said.partly();
        }

        private Source image(long imagingId) throws IOException {
            Source open = images.get(imagingId);
            if (open == null) {
                open = Sources.open(imaging.image(imagingId).file().toString());
                images.put(imagingId, open);
            }
            return open;
        }

        private void flush() {
            if (outcomes.isEmpty()) {
                return;
            }
            run.progress(r -> {
                insides.saveAll(fresh);
                outcomes.forEach(r::count);
            });
            fresh.clear();
            outcomes.clear();
        }

        @Override
        public void close() throws IOException {
            for (Source image : images.values()) {
                image.close();
            }
        }
    }
}
