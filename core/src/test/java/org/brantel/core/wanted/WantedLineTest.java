package org.brantel.core.wanted;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.wanted.Fit.Verdict;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class WantedLineTest {

    private static WantedLine line(String words, List<String> kinds, String pattern) {
        return new WantedLine(1, words, kinds, pattern, 10, 0, WantedLine.Days.ANY, true);
    }

    private static Candidate named(String path, String kind) {
        return new Candidate(
                new Candidate.Where(path.substring(path.lastIndexOf('/') + 1), path, null),
                kind,
                900_000,
                null,
                false,
                Map.of(),
                Prognosis.WHOLE);
    }

    private static Verdict verdict(WantedLine line, Candidate it) {
        return new Fitting(line).of(it).verdict();
    }

    private static Verdict pattern(String pattern, String path) {
        return verdict(line("what was asked", List.of(), pattern), named(path, "pdf"));
    }

    /** What a person said of findings and lines; docs/formats.md describes the file. */
    @TestFactory
    Stream<DynamicTest> judgedCases() throws IOException {
        try (InputStream in = WantedLineTest.class.getResourceAsStream("/wanted-cases.json")) {
            List<DynamicTest> tests = new ArrayList<>();
            for (JsonNode c : JsonMapper.shared().readTree(in).get("cases")) {
                tests.add(DynamicTest.dynamicTest(
                        c.get("id").asString() + " " + c.get("why").asString(), () -> check(c)));
            }
            assertThat(tests).hasSizeGreaterThan(20);
            return tests.stream();
        }
    }

    private static void check(JsonNode c) {
        JsonNode l = c.get("line");
        List<String> kinds = new ArrayList<>();
        l.get("kinds").forEach(k -> kinds.add(k.asString()));
        Fitting fitting = new Fitting(new WantedLine(
                1,
                l.get("words").asString(),
                kinds,
                l.get("pattern").asString(),
                l.get("hopedFor").asInt(),
                l.get("minBytes").asLong(),
                new WantedLine.Days(day(l.get("from")), day(l.get("to")), false),
                true));
        Map<String, Verdict> words = Map.of("fits", Verdict.FITS, "maybe", Verdict.MAY_FIT, "no", Verdict.NOT);
        words.forEach((word, verdict) -> c.get("expect").get(word).forEach(i -> {
            JsonNode f = c.get("findings").get(i.asInt());
            Fit fit = fitting.of(candidate(f));
            assertThat(fit.verdict())
                    .as("%s: %s", f.get("name").asString(), fit.why())
                    .isEqualTo(verdict);
            assertThat(fit.why()).as("every answer has its reason").isNotBlank();
        }));
    }

    private static LocalDate day(JsonNode node) {
        return node.isNull() ? null : LocalDate.parse(node.asString());
    }

    private static Candidate candidate(JsonNode f) {
        Map<String, String> about = new TreeMap<>();
        f.get("about")
                .properties()
                .forEach(e -> about.put(e.getKey(), e.getValue().asString()));
        return new Candidate(
                new Candidate.Where(
                        f.get("name").asString(),
                        f.get("path").isNull() ? null : f.get("path").asString(),
                        f.has("trashedFrom") ? f.get("trashedFrom").asString() : null),
                f.get("kind").asString(),
                f.get("size").asLong(),
                f.get("changed").isNull()
                        ? null
                        : Instant.parse(f.get("changed").asString()),
                f.has("inside"),
                about,
                Prognosis.valueOf(f.get("prognosis").asString().toUpperCase(Locale.ROOT)));
    }

    @Test
    void namesAreComparedAsPeopleWriteThem() {
        assertThat(pattern("*plan*", "/X/Stage PLAN 2.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("stage plan", "/X/Stage_Plan-2.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*strand erosion*", "/X/StrandErosion.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*garcon*", "/X/garçon.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*tide*tables*", "/X/tide and current tables.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("plot ?.pdf", "/Plot 7.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("plot ?.pdf", "/Plot 17.pdf")).isEqualTo(Verdict.NOT);
        assertThat(pattern("a.b(c)*", "/a.b(c)d")).isEqualTo(Verdict.FITS);
        assertThat(pattern("a.b", "/axb")).isEqualTo(Verdict.NOT);
        assertThat(pattern("harbour*", "/harbours of the north.pdf")).isEqualTo(Verdict.FITS);
    }

    @Test
    void aWordIsNotFoundInsideAnother() {
        assertThat(pattern("*ark*", "/the ark.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("ark", "/ark2019.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*ark*", "/arks of the coast.pdf")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*ark*", "/parking.pdf")).isEqualTo(Verdict.NOT);
        assertThat(pattern("ark", "/arkansas.pdf")).isEqualTo(Verdict.NOT);
        assertThat(pattern("*ark*", "/market.pdf")).isEqualTo(Verdict.NOT);
    }

    @Test
    void aLostFirstLetterIsAnyAndAShortNameMayBeTheLongOne() {
        assertThat(pattern("*tide*", "/_IDE.PDF")).isEqualTo(Verdict.FITS);
        assertThat(pattern("*tide*", "/_ODE.PDF")).isEqualTo(Verdict.NOT);
        assertThat(pattern("*tide*tables*", "/TIDETA~1.PDF")).isEqualTo(Verdict.MAY_FIT);
        assertThat(pattern("*tide*tables*", "/_IDETA~1.PDF")).isEqualTo(Verdict.MAY_FIT);
        assertThat(pattern("*tide*tables*", "/INVOIC~1.PDF")).isEqualTo(Verdict.NOT);
    }

    @Test
    void foldersAreThoseOfThePlaceItCameFrom() {
        WantedLine marches = line("the marches", List.of("document"), "Marches/*");
        assertThat(verdict(marches, named("/Band/Marches/Harbour Light.pdf", "pdf")))
                .isEqualTo(Verdict.FITS);
        assertThat(verdict(marches, named("/Band/Marches/cover.jpg", "jpg"))).isEqualTo(Verdict.NOT);
        assertThat(verdict(marches, named("/Band/Hymns/Lifeboat.pdf", "pdf"))).isEqualTo(Verdict.NOT);
        Candidate trashed = new Candidate(
                new Candidate.Where("$R1.pdf", "/$Recycle.Bin/S-1/$R1.pdf", "C:\\Band\\Marches\\Old Pier.pdf"),
                "pdf",
                9,
                null,
                false,
                Map.of(),
                Prognosis.WHOLE);
        assertThat(verdict(marches, trashed)).isEqualTo(Verdict.FITS);
        Candidate fromNowhere = new Candidate(
                new Candidate.Where("$R2.pdf", "/$Recycle.Bin/S-1/$R2.pdf", ""),
                "pdf",
                9,
                null,
                false,
                Map.of(),
                Prognosis.WHOLE);
        assertThat(verdict(marches, fromNowhere)).isEqualTo(Verdict.MAY_FIT);
    }

    @Test
    void aLineOfWordsAloneIsMetByThemOrMayBe() {
        WantedLine words = line("her beekeeping", List.of(), "");
        assertThat(verdict(words, named("/desk/beekeeping.odt", "odt"))).isEqualTo(Verdict.FITS);
        assertThat(verdict(words, named("/desk/letter.odt", "odt"))).isEqualTo(Verdict.MAY_FIT);
    }

    @Test
    void datesStandInNamesInManyForms() {
        assertThat(StatedDate.ofName("2018-06-14 ness.jpg").from()).isEqualTo("2018-06-14");
        assertThat(StatedDate.ofName("scan_20180614.jpg").from()).isEqualTo("2018-06-14");
        assertThat(StatedDate.ofName("4.6.2018.jpg").to()).as("June or April").isEqualTo("2018-12-31");
        assertThat(StatedDate.ofName("25-06-2018.jpg").from()).isEqualTo("2018-06-25");
        assertThat(StatedDate.ofName("minutes 14 June 2018.odt").from()).isEqualTo("2018-06-14");
        assertThat(StatedDate.ofName("minutes-June-2018.odt").to()).isEqualTo("2018-06-30");
        assertThat(StatedDate.ofName("budget 2018.ods").to()).isEqualTo("2018-12-31");
        assertThat(StatedDate.ofName("DSC20180.jpg")).isNull();
        assertThat(StatedDate.ofName("part 20181345.jpg")).isNull();
        assertThat(StatedDate.ofName("from 2018 to 2019.ods"))
                .as("which of them, nobody can say")
                .isNull();
        assertThat(StatedDate.ofCamera("PXL_20180614_101500123.jpg").from()).isEqualTo("2018-06-14");
        assertThat(StatedDate.ofContent("2018:06:14 10:15:00").from()).isEqualTo("2018-06-14");
        assertThat(StatedDate.ofContent("1980-01-01T00:00:00"))
                .as("a clock that was never set")
                .isNull();
    }

    /** Nothing that is asked and not known may be called fitting: taking a fact away never makes an answer surer. */
    @Test
    void whatIsNotKnownNeverFits() {
        Random random = new Random(7);
        for (int round = 0; round < 2000; round++) {
            WantedLine line = new WantedLine(
                    1,
                    random.nextBoolean() ? "photos" : "papers",
                    List.of(random.nextBoolean() ? "image" : "document"),
                    random.nextBoolean() ? "*pier*" : "",
                    0,
                    0,
                    new WantedLine.Days(LocalDate.of(2020, 1, 1), LocalDate.of(2020, 12, 31), false),
                    true);
            String kind = random.nextBoolean() ? "jpg" : "pdf";
            Candidate bare = new Candidate(
                    new Candidate.Where("at-512." + kind, null, null),
                    kind,
                    1 + random.nextInt(5_000_000),
                    null,
                    false,
                    random.nextBoolean() ? Map.of() : Map.of("width", "4000", "height", "3000"),
                    Prognosis.WHOLE);
            assertThat(verdict(line, bare)).isNotEqualTo(Verdict.FITS);
        }
    }

    @Test
    void noNameBreaksThePatterns() {
        Random random = new Random(8);
        String letters = "ab*?/._-(+[\\~$é \uD83D\uDE00";
        for (int round = 0; round < 3000; round++) {
            String text = random.ints(random.nextInt(12), 0, letters.length())
                    .mapToObj(i -> letters.substring(i, i + 1))
                    .reduce("", String::concat);
            String name = random.ints(1 + random.nextInt(12), 0, letters.length())
                    .mapToObj(i -> letters.substring(i, i + 1))
                    .reduce("", String::concat);
            assertThat(new Fitting(line("x", List.of(), text))
                            .of(named("/" + name, "pdf"))
                            .why())
                    .isNotNull();
        }
    }

    @Test
    void theTallyNeverMissesLessThanNothing() {
        WantedTally ten = WantedTally.of(
                line("x", List.of(), ""), new WantedTally.Found(8, 1, 5), 3, new WantedTally.Delivered(2, 1), null);
        assertThat(ten.hopedFor()).isEqualTo(10);
        assertThat(ten.missing()).isEqualTo(1);
        assertThat(WantedTally.of(
                                line("x", List.of(), ""),
                                new WantedTally.Found(30, 1, 0),
                                0,
                                WantedTally.Delivered.NONE,
                                null)
                        .missing())
                .isZero();
    }

    /** More matches than hoped for prove nothing; only a person who looked can say that it is all. */
    @Test
    void completeIsOnlyWhatWasDeliveredWholeAndConfirmed() {
        WantedLine ten = line("x", List.of(), "");
        WantedTally.Found many = new WantedTally.Found(48, 0, 300);
        WantedTally.Confirmed yes = new WantedTally.Confirmed(10, "Una Reid", Instant.parse("2026-11-28T10:00:00Z"));
        assertThat(WantedTally.of(ten, many, 48, new WantedTally.Delivered(48, 0), null)
                        .isComplete())
                .isFalse();
        assertThat(WantedTally.of(ten, many, 48, new WantedTally.Delivered(9, 30), yes)
                        .isComplete())
                .isFalse();
        assertThat(WantedTally.of(ten, many, 48, WantedTally.Delivered.NONE, yes)
                        .isComplete())
                .isFalse();
        assertThat(WantedTally.of(ten, many, 48, new WantedTally.Delivered(10, 0), yes)
                        .isComplete())
                .isTrue();
    }
}
