package org.brantel.server.catalogue;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.ManyFindings;
import org.brantel.server.testing.Story;
import org.postgresql.PGConnection;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * A catalogue of very many findings, and how long it takes to bring them in and to look at them; run by
 * scripts/bench-catalogue.
 */
final class CatalogueBench {

    private static final int ROUNDS = 20;

    private final Lab lab = Lab.open();
    private final JdbcTemplate sql = lab.own(JdbcTemplate.class);
    private final Catalogues catalogues = lab.own(Catalogues.class);
    private final Path home = lab.home();

    public static void main(String[] args) throws IOException {
        int findings = Integer.parseInt(args[0]);
        int cases = Integer.parseInt(args[1]);
        new CatalogueBench().run(findings, cases);
        System.exit(0);
    }

    private void run(int findings, int cases) throws IOException {
        ManyFindings many = ManyFindings.of(lab, findings);
        say(
                "%,d findings in each of %d cases, %d processors",
                findings, cases, Runtime.getRuntime().availableProcessors());
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < cases; i++) {
            Story story = Story.of(new CaseForms());
            long start = System.nanoTime();
            catalogues.merge(story.number, i + 1, many.imaging(), many.file(), n -> {});
            double seconds = (System.nanoTime() - start) / 1e9;
            say("bringing in           %8.1f s   %,9.0f a second", seconds, findings / seconds);
            numbers.add(story.number);
        }
        copied(numbers.get(0));
        long start = System.nanoTime();
        catalogues.merge(numbers.get(0), 99, many.imaging(), many.file(), n -> {});
        say("bringing in again     %8.1f s", (System.nanoTime() - start) / 1e9);
        looks(numbers.get(numbers.size() - 1));
    }

    /** What people ask for while they look for something, beside the plainest question of the same table. */
    private void looks(String number) {
        Long caseId = sql.queryForObject("select id from lab_case where number = ?", Long.class, number);
        timed(
                "bare select of 200 rows",
                () -> sql.queryForList("select * from catalogue_line where case_id = ? limit 200", caseId));
        for (String sort : List.of("path", "size", "modified", "score", "name")) {
            timed("first page by " + sort, () -> catalogues.page(number, CatalogueFilter.ALL, null, sort));
        }
        timed("one kind", () -> catalogues.page(number, filter(List.of("mp3"), null), null, "path"));
        timed("a word", () -> catalogues.page(number, filter(List.of(), "harvest"), null, "path"));
        timed("a part of one name", () -> catalogues.page(number, filter(List.of(), "0012345"), null, "path"));
        for (String question : List.of(
                "pictures or sound",
                "from may 2021",
                "over 1 mb, not deleted",
                "*0012345*.mp3",
                "in 2021 whole not harvest")) {
            timed("asking: " + question, () -> catalogues.page(number, filter(List.of(), question), null, "path"));
        }
        CatalogueViews.Line middle = catalogues
                .page(number, CatalogueFilter.ALL, null, "size")
                .lines()
                .get(199);
        timed("the page after that", () -> catalogues.page(number, CatalogueFilter.ALL, middle.id(), "size"));
        Walk walk = lab.own(Walk.class);
        Walk.Shelf volume = walk.at(number, List.of()).shelves().get(0);
        Walk.Shelf home = walk.at(number, volume.folders()).shelves().get(0);
        Walk.Shelf place = walk.at(number, home.folders()).shelves().get(0);
        Walk.Shelf year = walk.at(number, place.folders()).shelves().get(0);
        timed("opening the case", () -> walk.at(number, List.of()));
        timed("opening a folder", () -> walk.at(number, place.folders()));
        timed("what lies in and below a folder", () -> catalogues.page(number, in(year), null, "path"));
        timed("what lies in and below the top", () -> catalogues.page(number, in(home), null, "path"));
        Selecting selecting = lab.own(Selecting.class);
        List<Long> changes = new ArrayList<>();
        timed("select all, and undo", 5, () -> {
            changes.add(
                    selecting.select(number, CatalogueFilter.ALL, true, "Tom").change());
            selecting.takeBack(number, changes.get(changes.size() - 1), "Tom");
        });
        timed("select all of one kind, and undo", () -> {
            changes.add(selecting
                    .select(number, filter(List.of("mp3"), null), true, "Tom")
                    .change());
            selecting.takeBack(number, changes.get(changes.size() - 1), "Tom");
        });
    }

    private static CatalogueFilter filter(List<String> kinds, String q) {
        return new CatalogueFilter(kinds, List.of(), List.of(), q, null, false, null, null);
    }

    private static CatalogueFilter in(Walk.Shelf shelf) {
        return new CatalogueFilter(
                List.of(),
                List.of(),
                List.of(),
                null,
                null,
                false,
                null,
                new CatalogueFilter.Place(shelf.folders(), true, false));
    }

    private static void timed(String what, Runnable look) {
        timed(what, ROUNDS, look);
    }

    private static void timed(String what, int rounds, Runnable look) {
        long[] times = new long[rounds];
        for (int i = 0; i < rounds; i++) {
            long start = System.nanoTime();
            look.run();
            times[i] = System.nanoTime() - start;
        }
        Arrays.sort(times);
        say("%-36s median %8.1f ms   p95 %8.1f ms", what, times[rounds / 2] / 1e6, times[rounds * 19 / 20] / 1e6);
    }

    /** The same rows into tables without any index. */
    private void copied(String number) throws IOException {
        double all = 0;
        long caseId = sql.queryForObject("select id from lab_case where number = ?", Long.class, number);
        for (String table : List.of("catalogue_line", "catalogue_key", "catalogue_content")) {
            Path rows = home.resolve(table + ".copy");
            sql.execute((ConnectionCallback<Object>) c -> {
                var copy = c.unwrap(PGConnection.class).getCopyAPI();
                try (OutputStream out = Files.newOutputStream(rows)) {
                    copy.copyOut("copy (select * from " + table + " where case_id = " + caseId + ") to stdout", out);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                return null;
            });
            sql.execute("create table bare as select * from " + table + " limit 0");
            long start = System.nanoTime();
            sql.execute((ConnectionCallback<Object>) c -> {
                var copy = c.unwrap(PGConnection.class).getCopyAPI();
                try (var in = Files.newInputStream(rows)) {
                    copy.copyIn("copy bare from stdin", in);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                return null;
            });
            double seconds = (System.nanoTime() - start) / 1e9;
            say("copy of %-18s %5.1f s", table, seconds);
            all += seconds;
            sql.execute("drop table bare");
        }
        say("copy of all           %8.1f s", all);
    }

    private static void say(String words, Object... values) {
        System.out.println(String.format(Locale.ROOT, words, values));
    }
}
