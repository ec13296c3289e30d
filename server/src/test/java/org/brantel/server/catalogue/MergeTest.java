package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.hash.Hashes;
import org.brantel.server.intake.Cases;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Sessions add up to one catalogue, whatever the order in which they come in. */
class MergeTest {

    @TempDir
    private Path folder;

    private final Lab lab = Lab.open();
    private final Catalogues catalogues = lab.bean(Catalogues.class);

    private static final int FILES = 6;

    /** A medium that holds each of a few files, of different lengths and contents, twice. */
    private static byte[] mediumOfCopies() {
        byte[] medium = new byte[4096 * 4 * FILES];
        for (int file = 0; file < FILES; file++) {
            byte[] content = contentOf(file);
            System.arraycopy(content, 0, medium, placeOf(file, 0), content.length);
            System.arraycopy(content, 0, medium, placeOf(file, 1), content.length);
        }
        return medium;
    }

    private static byte[] contentOf(int file) {
        byte[] content = new byte[3000 + file];
        new Random(file).nextBytes(content);
        return content;
    }

    private static int placeOf(int file, int copy) {
        return 4096 * (file * 4 + copy * 2);
    }

    /** A few files and copies, each as one session or another could see it: named or not, read or not, whole or not. */
    private static Finding seen(Random random) {
        int file = random.nextInt(FILES);
        int copy = random.nextInt(2);
        boolean named = random.nextBoolean();
        boolean read = random.nextInt(4) > 0;
        long at = placeOf(file, copy);
        byte[] content = contentOf(file);
        Prognosis prognosis = read ? Prognosis.WHOLE : random.nextBoolean() ? Prognosis.GAPPED : Prognosis.DOUBTFUL;
        String path = named ? "/tide/" + (copy == 0 ? "gauge " : "copy of gauge ") + file + ".jpg" : null;
        return new Finding(
                0,
                named ? 0 : null,
                named ? random.nextBoolean() ? Origin.LIVE : Origin.DELETED : Origin.CARVED,
                new Named(
                        path,
                        named ? path.substring(6) : "at-" + at + ".jpg",
                        named ? null : "[gauge " + file + "].jpg"),
                Times.NONE,
                new Verdict(
                        prognosis,
                        read ? 80 + random.nextInt(3) * 5 : 30,
                        List.of("seen"),
                        read ? Double.valueOf(random.nextInt(3) / 2.0) : null),
                new Content(
                        content.length,
                        "jpg",
                        List.of(new Extent(at, content.length)),
                        null,
                        read ? Hashes.sha256Hex(content, 0, content.length) : null,
                        Map.of()),
                Evidence.NONE);
    }

    /**
     * Content whose end nobody knows, where a file stands that a record names; and another name for the same beginning.
     */
    @Test
    void doubtedContentSupportsTheFileThatBeginsThere() throws IOException {
        Finding log = at(8192, "/tide/gauge.log", 5000, Origin.LIVE, Prognosis.WHOLE);
        Finding other = at(8192, "/tide/gauge.old", 7000, Origin.LIVE, Prognosis.WHOLE);
        Finding longer = at(8192, null, 6100, Origin.CARVED, Prognosis.DOUBTFUL);
        Finding longest = at(8192, null, 9000, Origin.CARVED, Prognosis.DOUBTFUL);
        Story imaged = Story.ofD01().imaged("inbox/d01-fat16.img");
        long imaging = imaged.session().get("id").asLong();
        for (List<Finding> turns :
                List.of(List.of(log, longer, longest), List.of(longer, longest, log), List.of(longest, log, longer))) {
            Story story = Story.of(new CaseForms());
            for (int i = 0; i < turns.size(); i++) {
                catalogues.merge(story.number, i + 1, imaging, List.of(turns.get(i)));
            }
            JsonNode page = story.una.get(story.path("/catalogue")).expect(200).json();
            assertThat(page.get("all").asInt()).isEqualTo(1);
            assertThat(page.get("lines").get(0).get("path").asString()).isEqualTo("/tide/gauge.log");
            assertThat(page.get("lines").get(0).get("size").asLong()).isEqualTo(5000);
            catalogues.merge(story.number, 9, imaging, List.of(other));
            assertThat(story.una.get(story.path("/catalogue")).json().get("all").asInt())
                    .as("two names are two files")
                    .isEqualTo(2);
        }
    }

    private static Finding at(long offset, String path, long size, Origin origin, Prognosis prognosis) {
        return new Finding(
                1,
                path == null ? null : 0,
                origin,
                Named.of(path, path == null ? "at-" + offset + ".txt" : path.substring(6)),
                Times.NONE,
                new Verdict(prognosis, 60, List.of("seen")),
                Content.of(size, "txt", List.of(new Extent(offset, size))),
                Evidence.NONE);
    }

    /** A page says at least how many pass, and does not wait for all of them to be counted; the counts do. */
    @Test
    void aPageCountsNoMoreThanItCanAtOnce() throws IOException {
        long imaging =
                Story.ofD01().imaged("inbox/d01-fat16.img").session().get("id").asLong();
        Story story = Story.of(new CaseForms());
        List<Finding> many = new ArrayList<>();
        for (int i = 0; i < 5300; i++) {
            many.add(at(1024L * i, "/tide/gauge " + i + ".log", 100 + i, Origin.LIVE, Prognosis.WHOLE));
        }
        catalogues.merge(story.number, 1, imaging, many);
        JsonNode page =
                story.una.get(story.path("/catalogue?q=gauge")).expect(200).json();
        assertThat(page.get("exact").asBoolean()).isFalse();
        assertThat(page.get("matching").asInt()).isBetween(5000, 5299);
        assertThat(page.get("all").asInt()).isEqualTo(5300);
        assertThat(page.get("kinds")).isEmpty();
        JsonNode counts = story.una
                .get(story.path("/catalogue/counts?q=gauge"))
                .expect(200)
                .json();
        assertThat(counts.get("exact").asBoolean()).isTrue();
        assertThat(counts.get("matching").asInt()).isEqualTo(5300);
        assertThat(counts.get("kinds").get("txt").asInt()).isEqualTo(5300);
        JsonNode few = story.una.get(story.path("/catalogue?q=gauge%205299")).json();
        assertThat(few.get("exact").asBoolean()).isTrue();
        assertThat(few.get("matching").asInt()).isOne();
    }

    /** A directory may hold names that are no text; neither the session nor the catalogue ends for that. */
    @Test
    void namesThatNoDatabaseTakesAreStoredWithoutWhatItRefuses() throws IOException {
        long imaging =
                Story.ofD01().imaged("inbox/d01-fat16.img").session().get("id").asLong();
        Story story = Story.of(new CaseForms());
        String name = "gauge \0 \ud83d \ud83d\ude00.log";
        Finding odd = new Finding(
                1,
                0,
                Origin.LIVE,
                new Named("/tide/" + name, name, name),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 90, List.of("It is called " + name + ".")),
                new Content(700, "txt", List.of(new Extent(8192, 700)), null, null, Map.of("title", name)),
                Evidence.of(new RecordFacts(512L, List.of(), null, "/" + name)));
        Path file = folder.resolve("odd.ndjson");
        try (FindingsFile.Writer out = new FindingsFile.Writer(file)) {
            out.write(odd);
        }
        List<Catalogues.Merged> told = new ArrayList<>();
        catalogues.merge(story.number, 1, imaging, file, told::add);
        assertThat(told).containsExactly(new Catalogues.Merged(1, 0));
        catalogues.merge(story.number, 2, imaging, List.of(odd));
        JsonNode page = story.una.get(story.path("/catalogue")).expect(200).json();
        assertThat(page.get("all").asInt()).isEqualTo(1);
        String stored = "gauge \ufffd \ufffd \ud83d\ude00.log";
        assertThat(page.get("lines").get(0).get("path").asString()).isEqualTo("/tide/" + stored);
        assertThat(page.get("lines").get(0).get("about").get("title").asString())
                .isEqualTo(stored);
        assertThat(story.una
                        .get(story.path("/catalogue/comparison?a=1&b=2"))
                        .expect(200)
                        .json()
                        .toString())
                .contains("txt");
    }

    private static void remark(Story story, long line, String what, String said) {
        story.una
                .post(story.path("/catalogue/remarks"), Map.of("lines", List.of(line), "chosen", false, what, said))
                .expect(200);
    }

    /** What somebody chose stays chosen when its line becomes part of another, and can still be taken back. */
    @Test
    void whatWasChosenStaysChosenWhenAnotherLineTakesItIn() throws IOException {
        long imaging =
                Story.ofD01().imaged("inbox/d01-fat16.img").session().get("id").asLong();
        Story story = Story.of(new CaseForms());
        catalogues.merge(
                story.number,
                1,
                imaging,
                List.of(
                        at(8192, "/tide/gauge.log", 700, Origin.LIVE, Prognosis.WHOLE),
                        at(16384, "/tide/gauge.old", 800, Origin.LIVE, Prognosis.WHOLE)));
        JsonNode lines = story.una
                .get(story.path("/catalogue?sort=size"))
                .expect(200)
                .json()
                .get("lines");
        long by = lines.get(0).get("id").asLong();
        long gone = lines.get(1).get("id").asLong();
        JsonNode chosen = story.una
                .put(story.path("/catalogue/selection"), Map.of("ids", List.of(gone), "selected", true))
                .expect(200)
                .json();
        remark(story, gone, "whose", "theirs");
        remark(story, gone, "note", "as the caller said");
        remark(story, by, "tag", "gauge");
        remark(story, by, "note", "of the old pier");
        Long caseId = lab.sql().queryForObject("select id from lab_case where number = ?", Long.class, story.number);
        lab.own(TransactionTemplate.class).executeWithoutResult(t -> {
            lab.own(CatalogueStore.class).takeIn(caseId, Map.of(gone, by));
            lab.sql().update("update catalogue_line set merged_into = ? where id = ?", by, gone);
        });
        assertThat(catalogues.selected(story.number))
                .extracting(c -> c.finding().id())
                .containsExactly(by);
        assertThat(catalogues.selectedCount(story.number)).isEqualTo(1);
        JsonNode after = story.una
                .delete(story.path(
                        "/catalogue/selection/" + chosen.get("change").asLong()))
                .expect(200)
                .json();
        assertThat(after.get("files").asLong()).isZero();
        JsonNode remark = story.una
                .get(story.path("/catalogue?q=theirs"))
                .expect(200)
                .json()
                .get("lines")
                .get(0)
                .get("remark");
        assertThat(remark.get("tags").get(0).asString()).isEqualTo("gauge");
        assertThat(remark.get("note").asString()).isEqualTo("of the old pier\nas the caller said");
    }

    /** Rows are handed over as text; whatever stands in a name comes back as it was. */
    @Test
    void namesKeepTheirMarksOnTheWayIntoTheRecords() throws IOException {
        long imaging =
                Story.ofD01().imaged("inbox/d01-fat16.img").session().get("id").asLong();
        Story story = Story.of(new CaseForms());
        List<String> names = List.of(
                "\\N",
                "back\\slash\\.log",
                "tab\there",
                "two\nlines\r",
                "{a,\"b\"}",
                "'quoted'",
                "null",
                "\u00e9\u6f6e",
                "\\.");
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            found.add(at(4096L * i, "/tide/" + names.get(i), 700 + i, Origin.LIVE, Prognosis.WHOLE));
        }
        assertThat(catalogues.merge(story.number, 1, imaging, found).added()).isEqualTo(names.size());
        List<String> paths = new ArrayList<>();
        for (JsonNode line :
                story.una.get(story.path("/catalogue")).expect(200).json().get("lines")) {
            paths.add(line.get("path").asString());
            assertThat(line.get("places")).hasSize(1).first().satisfies(p -> assertThat(p.asString())
                    .isEqualTo(line.get("path").asString()));
            assertThat(line.get("versions").get("1").get("path").asString())
                    .isEqualTo(line.get("path").asString());
        }
        assertThat(paths)
                .containsExactlyInAnyOrderElementsOf(
                        names.stream().map(n -> "/tide/" + n).toList());
    }

    /** Files of a real image: alike in size, in beginning and end, or the same; hashed only where they look alike. */
    @Test
    void whatHasTheSameBytesElsewhereIsOneLineThoughNoSessionHashedIt() throws IOException {
        int size = 200_000;
        byte[] gauge = new byte[size];
        new Random(4).nextBytes(gauge);
        byte[] middle = gauge.clone();
        middle[size / 2] ^= 1;
        byte[] start = gauge.clone();
        start[0] ^= 1;
        byte[] alone = Arrays.copyOf(gauge, size - 1);
        List<byte[]> stored = List.of(gauge, middle, gauge, start, alone, gauge, middle);
        byte[] medium = new byte[8 << 20];
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < stored.size(); i++) {
            System.arraycopy(stored.get(i), 0, medium, i << 20, stored.get(i).length);
            found.add(at(
                    (long) i << 20,
                    i < 4 ? "/tide/gauge " + i + ".log" : null,
                    stored.get(i).length,
                    i < 4 ? Origin.LIVE : Origin.CARVED,
                    Prognosis.WHOLE));
        }
        Files.write(lab.inbox().resolve("copies.img"), medium);
        long imaging = Story.of(new CaseForms())
                .imaged("inbox/copies.img")
                .session()
                .get("id")
                .asLong();
        List<String> first = null;
        for (int order = 0; order < 5; order++) {
            Story story = Story.of(new CaseForms());
            Collections.shuffle(found, new Random(order));
            for (int session = 1; session <= 3; session++) {
                int third = (session - 1) * 3;
                catalogues.merge(
                        story.number,
                        session,
                        imaging,
                        found.subList(third, Math.min(found.size(), third + 3)).stream()
                                .map(f -> f.withId(1))
                                .toList());
            }
            for (JsonNode line : story.una.get(story.path("/catalogue")).json().get("lines")) {
                assertThat(line.get("sha256") != null)
                        .as("only what looks alike is hashed: %s", line)
                        .isEqualTo(
                                line.get("size").asLong() == size && !"/tide/gauge 3.log".equals(text(line, "path")));
            }
            List<String> shown = shown(story).stream()
                    .map(l -> l.replaceAll("versions=\\{.*?\\}\\}|\\[[0-9, ]+\\]$", ""))
                    .toList();
            first = first == null ? shown : first;
            assertThat(shown).as("order %d", order).hasSize(4).isEqualTo(first);
        }
    }

    /**
     * An image that somebody moved away says nothing more; what was found on it stays, and the next session goes on.
     */
    @Test
    void anImageThatIsGoneDoesNotEndTheNextSession() throws IOException {
        byte[] medium = new byte[4 << 20];
        new Random(8).nextBytes(medium);
        Files.write(lab.inbox().resolve("first.img"), medium);
        System.arraycopy(medium, 0, medium, 1 << 20, 5000);
        Files.write(lab.inbox().resolve("second.img"), medium);
        Story first = Story.of(new CaseForms()).imaged("inbox/first.img");
        long gone = first.session().get("id").asLong();
        long there = Story.of(new CaseForms())
                .imaged("inbox/second.img")
                .session()
                .get("id")
                .asLong();
        // One device, read twice.
        lab.sql()
                .update(
                        "update imaging_session set device_id = (select device_id from imaging_session where id = ?) where "
                                + "id = ?",
                        gone,
                        there);
        Story story = Story.of(new CaseForms());
        catalogues.merge(story.number, 1, gone, List.of(at(0, "/tide/gauge.log", 5000, Origin.LIVE, Prognosis.WHOLE)));
        try (var images = Files.list(lab.home().resolve("images").resolve(first.number))) {
            for (Path image : images.toList()) {
                Files.move(image, folder.resolve(image.getFileName()));
            }
        }
        Finding copy = at(1 << 20, "/tide/copy of gauge.log", 5000, Origin.LIVE, Prognosis.WHOLE);
        assertThat(catalogues.merge(story.number, 2, there, List.of(copy)).added())
                .isEqualTo(1);
        // Seen again on the image that is there, it can be compared.
        assertThat(catalogues
                        .merge(
                                story.number,
                                3,
                                there,
                                List.of(at(0, "/tide/gauge.log", 5000, Origin.LIVE, Prognosis.WHOLE), copy))
                        .added())
                .isZero();
        JsonNode page = story.una.get(story.path("/catalogue")).expect(200).json();
        assertThat(page.get("all").asInt()).isEqualTo(1);
        assertThat(page.get("lines").get(0).get("places").size()).isEqualTo(2);
    }

    private static String text(JsonNode line, String field) {
        return line.get(field) == null ? null : line.get(field).asString();
    }

    private static List<String> shown(Story story) {
        List<String> lines = new ArrayList<>();
        for (JsonNode l : story.una
                .get(story.path("/catalogue?size=200"))
                .expect(200)
                .json()
                .get("lines")) {
            Map<String, JsonNode> fields = new TreeMap<>();
            l.properties().forEach(e -> fields.put(e.getKey(), e.getValue()));
            fields.remove("id");
            List<String> origins = new ArrayList<>();
            fields.remove("origins").forEach(o -> origins.add(o.asString()));
            Collections.sort(origins);
            List<Long> sessions = new ArrayList<>();
            fields.remove("sessions").forEach(s -> sessions.add(s.asLong()));
            Collections.sort(sessions);
            lines.add(fields + " " + origins + " " + sessions);
        }
        Collections.sort(lines);
        return lines;
    }

    @Test
    void theCatalogueIsTheSameWhateverTheOrderOfSessions() throws IOException {
        Files.write(lab.inbox().resolve("pairs.img"), mediumOfCopies());
        Story imaged = Story.of(new CaseForms()).imaged("inbox/pairs.img");
        long imaging = imaged.session().get("id").asLong();
        for (int round = 0; round < 12; round++) {
            Random random = new Random(round);
            Map<Long, Path> sessions = new TreeMap<>();
            for (long s = 1; s <= 4; s++) {
                Path file = folder.resolve("findings-" + round + "-" + s + ".ndjson");
                try (FindingsFile.Writer out = new FindingsFile.Writer(file)) {
                    for (int i = 1 + random.nextInt(8); i > 0; i--) {
                        out.write(seen(random).withId(i));
                    }
                }
                sessions.put(s, file);
            }
            List<String> first = null;
            for (int order = 0; order < 4; order++) {
                Story story = Story.of(new CaseForms());
                List<Long> turns = new ArrayList<>(sessions.keySet());
                Collections.shuffle(turns, new Random(order));
                for (long s : turns) {
                    catalogues.merge(story.number, s, imaging, sessions.get(s), n -> {});
                }
                // A second time it changes nothing.
                catalogues.merge(story.number, turns.get(0), imaging, sessions.get(turns.get(0)), n -> {});
                countsAreThoseOfTheLines(story);
                List<String> shown = shown(story);
                first = first == null ? shown : first;
                assertThat(shown).as("round %d, order %s", round, turns).isEqualTo(first);
            }
            assertThat(first).isNotEmpty();
        }
        assertThat(folder).isNotEmptyDirectory();
    }

    /** What is kept beside the lines says of them what counting them says. */
    private void countsAreThoseOfTheLines(Story story) {
        List<String> kept = counts(story);
        assertThat(kept).isNotEmpty();
        lab.sql()
                .execute("select recount_catalogue(id), recount_fits(id) from lab_case where number = '" + story.number
                        + "'");
        assertThat(kept).isEqualTo(counts(story));
    }

    private List<String> counts(Story story) {
        return lab.sql()
                .queryForList(
                        "with mine as (select id from lab_case where number = ?) "
                                + "select c::text from catalogue_count c join mine on mine.id = c.case_id "
                                + "union all select f::text from catalogue_fit f join mine on mine.id = f.case_id "
                                + "where fits > 0 or may_fit > 0 "
                                + "union all select f::text from catalogue_folder f join mine on mine.id = f.case_id "
                                + "union all select f::text from catalogue_folder_fit f where (fits > 0 or may_fit > 0) "
                                + "and folder_id in (select f.id from catalogue_folder f join mine on mine.id = f.case_id) "
                                + "order by 1",
                        String.class,
                        story.number);
    }

    /** What the database counted last says that a new case has nothing; not all of it is looked at for each key. */
    @Test
    void whatComesInForANewCaseIsLookedUpByItsKeys() {
        JdbcTemplate sql = lab.own(JdbcTemplate.class);
        ByKey byKey = lab.own(ByKey.class);
        lab.own(TransactionTemplate.class).executeWithoutResult(t -> {
            long there = lab.own(Cases.class).id(Story.of(new CaseForms()).number);
            sql.update(
                    "insert into catalogue_content (case_id, place, imaging_id, size, extents, sample) "
                            + "select ?, 'bytes:' || n, 1, n % 700, '[]', n from generate_series(1, 30000) n",
                    there);
            sql.update(
                    "insert into catalogue_folder (id, case_id, told_by, volume, path, name, lineage) "
                            + "select -n, ?, 1, 0, '/' || n, n::text, array[-n] from generate_series(1, 30000) n",
                    there);
            sql.execute("analyze catalogue_content, catalogue_folder");
            assertThat(sql.queryForList(
                            "select tablename from pg_stats where attname = 'case_id' and tablename in "
                                    + "('catalogue_content', 'catalogue_key', 'catalogue_folder')",
                            String.class))
                    .as("what the planner knows of how many rows each case has")
                    .isEmpty();
            assertThat(byKey.read(() -> sql.queryForList(
                            "explain " + Folders.BY_PLACE,
                            String.class,
                            new Long[] {1L},
                            new Integer[] {0},
                            new String[] {"/1"},
                            there + 1)))
                    .anyMatch(step -> step.contains("Index Cond") && step.contains("md5("));
            t.setRollbackOnly();
        });
    }
}
