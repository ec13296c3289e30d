package org.brantel.core.recovery;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.junit.jupiter.api.Test;

class SafeNamesTest {

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

    private static Map<Long, String> plan(String... paths) {
        List<Finding> findings = new ArrayList<>();
        for (String path : paths) {
            findings.add(finding(findings.size() + 1L, 0, path));
        }
        return SafeNames.plan(findings);
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
            for (String planned : SafeNames.plan(findings).values()) {
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
        assertThat(SafeNames.part("con.txt")).isEqualTo("_con.txt");
        assertThat(SafeNames.part("trailing dots...")).isEqualTo("trailing dots");
        assertThat(SafeNames.part("")).isEqualTo("_");
        String longName = "ü".repeat(300) + ".jpg";
        assertThat(SafeNames.part(longName).getBytes(StandardCharsets.UTF_8).length)
                .isLessThanOrEqualTo(200);
        assertThat(SafeNames.part(longName)).endsWith(".jpg");
    }

    @Test
    void contentWithoutANameNeverPosesAsAnOriginal() {
        assertThat(SafeNames.plan(List.of(finding(1, null, null))).get(1L))
                .isEqualTo("found by content/jpg/at-512.jpg");
    }

    @Test
    void whatWasInTheTrashGoesWhereItWasDeletedFrom() {
        Finding inTrash = finding(1, 0, "/$Recycle.Bin/S-1/$RA1.jpg");
        Finding trashed = inTrash.withRecord(inTrash.record().trashed(null, "C:/Users/Ann/../hive.jpg"));
        assertThat(SafeNames.plan(List.of(trashed))).containsEntry(1L, "Users/Ann/_/hive.jpg");
    }
}
