package org.brantel.cli;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.Candidate;
import org.brantel.core.wanted.Fit;
import org.brantel.core.wanted.Fitting;
import org.brantel.core.wanted.WantedLine;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "fits",
        mixinStandardHelpOptions = true,
        description =
                "Says which findings fit a wanted line, which may fit and which do not, for each case of a JSON file.")
final class FitsVerb implements Callable<Integer> {

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Input(List<Case> cases) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Case(String id, Line line, List<Found> findings) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Line(
            String words, List<String> kinds, String pattern, int hopedFor, String from, String to, long minBytes) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record Found(
            String name,
            String path,
            String kind,
            long size,
            String changed,
            String trashedFrom,
            Integer container,
            Map<String, Object> about,
            String prognosis) {}

    /** Places in the case's findings, from 0; {@code why} in the same order as the findings. */
    private record Answer(String id, List<Integer> fits, List<Integer> maybe, List<Integer> no, List<String> why) {}

    @Parameters(paramLabel = "CASES.json")
    private Path file;

    @Override
    public Integer call() throws IOException {
        Input input = Json.read(file, Input.class, "cases of wanted lines");
        if (input.cases() == null) {
            throw new IllegalArgumentException(
                    "The file " + file + " has no 'cases'; see docs/formats.md for what it should hold.");
        }
        System.out.println(
                Json.writePretty(input.cases().stream().map(this::answer).toList()));
        return EngineCommand.DONE;
    }

    private Answer answer(Case c) {
        if (c.line() == null || c.findings() == null) {
            throw new IllegalArgumentException("The case '" + c.id() + "' in " + file + " has no line or no findings.");
        }
        Line l = c.line();
        Fitting fitting = new Fitting(new WantedLine(
                0,
                l.words() == null ? "" : l.words(),
                l.kinds(),
                l.pattern(),
                l.hopedFor(),
                l.minBytes(),
                new WantedLine.Days(day(c, l.from()), day(c, l.to()), false),
                true));
        Answer answer = new Answer(c.id(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        for (int i = 0; i < c.findings().size(); i++) {
            Fit fit = fitting.of(candidate(c, c.findings().get(i)));
            (switch (fit.verdict()) {
                        case FITS -> answer.fits();
                        case MAY_FIT -> answer.maybe();
                        case NOT -> answer.no();
                    })
                    .add(i);
            answer.why().add(fit.why());
        }
        return answer;
    }

    private Candidate candidate(Case c, Found f) {
        Map<String, String> about = new TreeMap<>();
        if (f.about() != null) {
            f.about().forEach((what, value) -> about.put(what, String.valueOf(value)));
        }
        try {
            return new Candidate(
                    new Candidate.Where(f.name(), f.path(), f.trashedFrom()),
                    f.kind(),
                    f.size(),
                    f.changed() == null ? null : Instant.parse(f.changed()),
                    f.container() != null,
                    about,
                    Prognosis.valueOf(f.prognosis().toUpperCase(Locale.ROOT)));
        } catch (DateTimeException | IllegalArgumentException | NullPointerException e) {
            throw new IllegalArgumentException(
                    "The finding '" + f.name() + "' of the case '" + c.id() + "' in " + file + " cannot be read: "
                            + e.getMessage() + ".",
                    e);
        }
    }

    private @Nullable LocalDate day(Case c, @Nullable String text) {
        try {
            return text == null || text.isEmpty() ? null : LocalDate.parse(text);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "'" + text + "' in the case '" + c.id() + "' of " + file + " is no day; write it like 2025-06-30.",
                    e);
        }
    }
}
