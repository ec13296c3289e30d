package org.brantel.core.layout;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LaidOutTest {

    private static Finding finding(long id, Integer volume, String path) {
        String name = path == null ? "at-512.jpg" : path.substring(path.lastIndexOf('/') + 1);
        return new Finding(
                id,
                volume,
                Origin.LIVE,
                Named.of(path, name),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 99, List.of()),
                Content.of(1, "jpg", List.of()),
                Evidence.NONE);
    }

    private static Map<Long, String> plan(List<Finding> findings) {
        return paths(findings, Layout.AS_IT_STOOD, NameRules.EVERY);
    }

    private static Map<Long, String> paths(List<Finding> findings, Layout layout, NameRules rules) {
        Map<Long, String> paths = new LinkedHashMap<>();
        LaidOut.plan(findings.stream().map(Placeable::of).toList(), layout, rules)
                .forEach((id, place) -> paths.put(id, place.path()));
        return paths;
    }

    private static String part(String name) {
        return Parts.part(name, NameRules.EVERY, EnumSet.noneOf(Change.class));
    }

    private static Map<Long, String> plan(String... paths) {
        List<Finding> findings = new ArrayList<>();
        for (String path : paths) {
            findings.add(finding(findings.size() + 1L, 0, path));
        }
        return plan(findings);
    }

    @Test
    void aNameThatTheLabGaveIsTakenInTheFolderThatTheFileStoodIn() {
        Placeable stood = Placeable.of(finding(1, 0, "/DCIM/IMG_0001.jpg"));
        Placeable found = Placeable.of(finding(2, null, null));
        List<Placeable> named = Stream.of(stood, found)
                .map(f -> new Placeable(
                        f.id(), 1, f.volume(), f.stands(), f.name(), "Mara: first catch.jpg", f.kind(), f.day()))
                .toList();
        Map<Long, LaidOut.Place> plan = LaidOut.plan(named, Layout.AS_IT_STOOD, NameRules.EVERY);
        assertThat(plan)
                .containsEntry(
                        1L,
                        new LaidOut.Place("DCIM/Mara_ first catch.jpg", EnumSet.of(Change.RENAMED, Change.FORBIDDEN)))
                .containsEntry(
                        2L,
                        new LaidOut.Place(
                                "found by content/jpg/Mara_ first catch.jpg",
                                EnumSet.of(Change.RENAMED, Change.FORBIDDEN)));
    }

    @Test
    void hostilePathsStayInsideTheDestination() {
        Path destination = Path.of("/vault/files");
        for (String hostile : new String[] {
            "/../../etc/passwd",
            "/..\\..\\x",
            "//etc/x",
            "/a/../../b",
            "/./.",
            "/..",
            "/\u0000/x",
            "/C:\\x",
            "/\u202egpj.exe"
        }) {
            String planned = plan(hostile).get(1L);
            assertThat(destination.resolve(planned).normalize()).as(hostile).startsWithRaw(destination);
            assertThat(planned)
                    .as(hostile)
                    .doesNotStartWith("/")
                    .doesNotContain("\\")
                    .doesNotContain("\u0000");
            assertThat(planned.split("/")).as(hostile).doesNotContain(".", "..");
        }
    }

    @Test
    void everyPlannedPathIsUniqueOnASystemThatIgnoresCase() {
        Random random = new Random(5);
        String alphabet = "aAbB.~ /\\:*?%é\u0301ß\u202e\n";
        for (int round = 0; round < 200; round++) {
            List<Finding> findings = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                StringBuilder path = new StringBuilder("/");
                for (int n = 1 + random.nextInt(6); n > 0; n--) {
                    path.append(alphabet.charAt(random.nextInt(alphabet.length())));
                }
                findings.add(finding(
                        i,
                        random.nextInt(5) == 0 ? null : random.nextInt(2),
                        random.nextInt(9) == 0 ? null : path.toString()));
            }
            Set<String> taken = new HashSet<>();
            Set<String> folders = new HashSet<>();
            for (String planned : plan(findings).values()) {
                assertThat(taken.add(planned.toLowerCase(Locale.ROOT)))
                        .as(planned)
                        .isTrue();
                for (int slash = planned.indexOf('/'); slash >= 0; slash = planned.indexOf('/', slash + 1)) {
                    folders.add(planned.substring(0, slash).toLowerCase(Locale.ROOT));
                }
                for (String part : planned.split("/")) {
                    assertThat(part)
                            .matches("[^<>:\"|?*\\\\%\\p{Cntrl}]+")
                            .doesNotEndWith(".")
                            .doesNotEndWith(" ")
                            .isNotBlank();
                }
            }
            taken.retainAll(folders);
            assertThat(taken).as("files in the place of folders").isEmpty();
        }
    }

    @Test
    void theSameSelectionGetsTheSamePathsEveryTime() {
        String[] paths = {"/a.jpg", "/A.JPG", "/a.jpg", "/b/a.jpg"};
        assertThat(plan(paths)).isEqualTo(plan(paths));
        assertThat(plan(paths))
                .containsEntry(1L, "a.jpg")
                .containsEntry(2L, "A (2).JPG")
                .containsEntry(3L, "a (3).jpg")
                .containsEntry(4L, "b/a.jpg");
    }

    @Test
    void namesThatSomeSystemsReserveAreChangedAndLongOnesShortened() {
        assertThat(part("con.txt")).isEqualTo("_con.txt");
        assertThat(part("trailing dots...")).isEqualTo("trailing dots");
        assertThat(part("")).isEqualTo("_");
        String longName = "ü".repeat(300) + ".jpg";
        assertThat(part(longName).getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(200);
        assertThat(part(longName)).endsWith(".jpg");
    }

    @Test
    void contentWithoutANameNeverPosesAsAnOriginal() {
        assertThat(plan(List.of(finding(1, null, null))).get(1L)).isEqualTo("found by content/jpg/at-512.jpg");
    }

    @Test
    void whatWasInTheTrashGoesWhereItWasDeletedFrom() {
        Finding inTrash = finding(1, 0, "/$Recycle.Bin/S-1/$RA1.jpg");
        Finding trashed = inTrash.withRecord(inTrash.record().trashed(null, "C:/Users/Ann/../hive.jpg"));
        assertThat(plan(List.of(trashed))).containsEntry(1L, "Users/Ann/_/hive.jpg");
    }

    private static Finding made(long id, String path, String kind, String day) {
        String name = path == null ? "at-512." + kind : path.substring(path.lastIndexOf('/') + 1);
        return new Finding(
                id,
                path == null ? null : 0,
                Origin.LIVE,
                Named.of(path, name),
                day == null ? Times.NONE : new Times(null, Instant.parse(day + "T10:00:00Z"), null),
                new Verdict(Prognosis.WHOLE, 99, List.of()),
                Content.of(1, kind, List.of()),
                Evidence.NONE);
    }

    @Test
    void filesAreLaidOutByKindOrByTheDayOnWhichTheyWereMade() {
        List<Finding> some = List.of(
                made(1, "/DCIM/100/A.jpg", "jpg", "2021-05-04"),
                made(2, "/DCIM/101/A.jpg", "jpg", "2021-05-04"),
                made(3, "/Band/reel.mp3", "mp3", null),
                made(4, null, "png", "2020-01-02"),
                made(5, "/core", "elf", null));
        assertThat(paths(some, Layout.BY_KIND, NameRules.EVERY).values())
                .containsExactly(
                        "pictures/DCIM/100/A.jpg",
                        "pictures/DCIM/101/A.jpg",
                        "sound/Band/reel.mp3",
                        "pictures/no name kept/at-512.png",
                        "other/core");
        assertThat(paths(some, Layout.BY_DAY, NameRules.EVERY).values())
                .containsExactly(
                        "2021/2021-05-04/A.jpg",
                        "2021/2021-05-04/A (2).jpg",
                        "day not known/reel.mp3",
                        "2020/2020-01-02/no name kept/at-512.png",
                        "day not known/core");
    }

    @Test
    void aNameStaysAsFarAsItsSystemCanHoldIt() {
        List<Finding> some = List.of(
                finding(1, 0, "/Minutes: north?.txt"),
                finding(2, 0, "/minutes: North?.txt"),
                finding(3, 0, "/con.txt"));
        assertThat(paths(some, Layout.AS_IT_STOOD, NameRules.LINUX).values())
                .containsExactly("Minutes: north?.txt", "minutes: North?.txt", "con.txt");
        assertThat(paths(some, Layout.AS_IT_STOOD, NameRules.MAC).values())
                .containsExactly("Minutes_ north?.txt", "minutes_ North? (2).txt", "con.txt");
        assertThat(paths(some, Layout.AS_IT_STOOD, NameRules.WINDOWS).values())
                .containsExactly("Minutes_ north_.txt", "minutes_ North_ (2).txt", "_con.txt");
    }

    /** Versions of one file say of which day each is, as long as that tells them apart. */
    @Test
    void filesOfOneNameAreToldApartByTheirDays() {
        List<Placeable> some = Stream.of(
                        made(1, "/Weights.csv", "csv", "2026-05-04"),
                        made(2, "/Weights.csv", "csv", "2025-11-02"),
                        made(3, "/weights.CSV", "csv", "2025-11-02"),
                        made(4, "/Weights.csv", "csv", null))
                .map(Placeable::of)
                .toList();
        Map<Long, LaidOut.Place> planned = LaidOut.plan(some, Layout.AS_IT_STOOD, NameRules.EVERY);
        assertThat(planned.values())
                .extracting(LaidOut.Place::path)
                .containsExactly(
                        "Weights.csv", "Weights (2025-11-02).csv", "weights (2025-11-02) (2).CSV", "Weights (2).csv");
        assertThat(planned.values())
                .extracting(LaidOut.Place::changes)
                .containsExactly(
                        Set.of(), Set.of(Change.DATED), Set.of(Change.DATED, Change.NUMBERED), Set.of(Change.NUMBERED));
    }

    @Test
    void whatWasChangedOfANameIsSaid() {
        List<Placeable> some = Stream.of(
                        finding(1, 0, "/a:b.txt"),
                        finding(2, 0, "/con"),
                        finding(3, 0, "/" + "long ".repeat(60) + ".txt"),
                        finding(4, 0, "/A_B.txt"),
                        finding(5, 0, "/plain.txt"))
                .map(Placeable::of)
                .toList();
        assertThat(LaidOut.plan(some, Layout.AS_IT_STOOD, NameRules.EVERY).values())
                .extracting(LaidOut.Place::changes)
                .containsExactly(
                        Set.of(Change.FORBIDDEN),
                        Set.of(Change.RESERVED),
                        Set.of(Change.SHORTENED),
                        Set.of(Change.NUMBERED),
                        Set.of());
    }

    @Test
    void pathsThatAreTooLongAsAWholeAreShortenedFolderByFolder() {
        String deep = "/" + "the winter of the tide gauge/".repeat(8) + "log of the north pier.txt";
        String planned = plan(deep).get(1L);
        assertThat(planned.length()).isLessThanOrEqualTo(180);
        assertThat(planned).endsWith("/log of the north pier.txt").startsWith("the winter of the tide g");
        String deeper = plan("/" + "north pier/".repeat(50) + "a.txt").get(1L);
        assertThat(deeper.length()).isLessThanOrEqualTo(180);
        assertThat(deeper).endsWith("/deeper/a.txt");
        assertThat(paths(List.of(finding(1, 0, deep)), Layout.AS_IT_STOOD, NameRules.LINUX))
                .containsEntry(1L, deep.substring(1));
    }

    /** Cut to what a system holds, nothing but dots would be left of such a name. */
    @ParameterizedTest
    @EnumSource(NameRules.class)
    void namesThatBeginWithManyDotsStayNames(NameRules rules) {
        String dots = ".".repeat(250) + "x";
        String folders = ("/" + ".".repeat(40) + "y").repeat(20);
        List<Finding> some = List.of(
                finding(1, 0, "/" + dots),
                finding(2, 0, "/" + dots + "/log.txt"),
                finding(3, 0, folders + "/log.txt"),
                finding(4, 0, "/" + " ".repeat(250) + "x"));
        paths(some, Layout.AS_IT_STOOD, rules).values().forEach(path -> {
            assertThat(path).doesNotContain("//").doesNotStartWith("/").doesNotEndWith("/");
            assertThat(path.split("/")).isNotEmpty().doesNotContain(".", "..", "");
        });
    }

    @ParameterizedTest
    @EnumSource(NameRules.class)
    void whateverIsFoundNoTwoPathsAreTheSameAndEachFits(NameRules rules) {
        Random random = new Random(7);
        String alphabet = "aAb.: /%é\u202e\n\ud83d\ude00";
        for (Layout layout : Layout.values()) {
            List<Finding> findings = new ArrayList<>();
            for (int i = 0; i < 400; i++) {
                StringBuilder path = new StringBuilder("/");
                for (int n = 1 + random.nextInt(random.nextInt(8) == 0 ? 4000 : 5); n > 0; n--) {
                    path.append(alphabet.charAt(random.nextInt(alphabet.length())));
                }
                findings.add(made(
                        i,
                        random.nextInt(9) == 0 ? null : path.toString(),
                        i % 3 == 0 ? "jpg" : "txt",
                        "2021-05-0" + (1 + i % 2)));
            }
            Map<Long, String> planned = paths(findings, layout, rules);
            assertThat(planned).hasSize(400).isEqualTo(paths(findings, layout, rules));
            Set<String> taken = new HashSet<>();
            planned.values().forEach(path -> {
                assertThat(taken.add(rules.key(path))).as(path).isTrue();
                assertThat(path.getBytes(StandardCharsets.UTF_8).length)
                        .as(path)
                        .isLessThan(3100);
                assertThat(path).doesNotContain("%", "\n", "//").doesNotStartWith("/");
                for (String part : path.split("/")) {
                    assertThat(part.getBytes(StandardCharsets.UTF_8).length)
                            .as(part)
                            .isBetween(1, 220);
                    assertThat(part).isNotIn(".", "..");
                }
                for (int slash = path.indexOf('/'); slash >= 0; slash = path.indexOf('/', slash + 1)) {
                    assertThat(planned.values()).doesNotContain(path.substring(0, slash));
                }
            });
        }
    }
}
