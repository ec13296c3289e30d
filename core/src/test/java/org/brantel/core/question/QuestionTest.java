package org.brantel.core.question;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.groups.Tuple.tuple;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.kinds.Kinds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuestionTest {

    private static final Known CASE = new Known(
            LocalDate.of(2026, 11, 25),
            List.of(71L, 75L),
            Set.of(3L, 4L),
            Map.of("device 1", 8L, "device 2", 9L, "slot 1", 9L),
            line -> line == 4711,
            true,
            true);

    private static Question ask(String words) {
        return Question.read(words, CASE);
    }

    /** A condition in one line. */
    private static String say(Condition c) {
        if (c instanceof Condition.Every e) {
            return e.of().stream().map(QuestionTest::say).collect(Collectors.joining(" & "));
        }
        if (c instanceof Condition.Any a) {
            return "(" + a.of().stream().map(QuestionTest::say).collect(Collectors.joining(" | ")) + ")";
        }
        if (c instanceof Condition.Not n) {
            return "not[" + say(n.of()) + "]";
        }
        if (c instanceof Condition.Kind k) {
            return "kind "
                    + Kinds.groups().stream()
                            .filter(g -> Kinds.meantBy(g).equals(k.codes()))
                            .findFirst()
                            .orElse(String.join("+", k.codes()));
        }
        if (c instanceof Condition.Made m) {
            return "made " + (m.from() == null ? "" : m.from()) + ".." + (m.to() == null ? "" : m.to());
        }
        if (c instanceof Condition.Deleted d) {
            return "deleted " + (d.from() == null ? "" : d.from()) + ".." + (d.to() == null ? "" : d.to());
        }
        if (c instanceof Condition.Size s) {
            return "size " + s.least() + ".." + (s.most() == Long.MAX_VALUE ? "" : s.most());
        }
        if (c instanceof Condition.Folder f) {
            return "in " + (f.whole() ? "=" : "~") + f.name();
        }
        if (c instanceof Condition.Found f) {
            return f.origin().word();
        }
        if (c instanceof Condition.Intact i) {
            return i.prognoses().stream().map(Prognosis::word).sorted().collect(Collectors.joining("+"));
        }
        if (c instanceof Condition.InVolume v) {
            return "volume " + v.number() + (v.session() == null ? "" : " of " + v.session());
        }
        if (c instanceof Condition.Said s) {
            return s.whose().words();
        }
        if (c instanceof Condition.Inside w) {
            return "inside " + w.words();
        }
        if (c instanceof Condition.Tagged t) {
            return "tagged " + t.tag();
        }
        if (c instanceof Condition.Wanted w) {
            return "wanted " + w.lines() + (w.sure() ? " sure" : "");
        }
        return c instanceof Condition.Called n
                ? "called " + n.pattern()
                : c instanceof Condition.MadeWith d
                        ? "with " + d.device()
                        : c instanceof Condition.InSession s
                                ? "session " + s.session()
                                : c instanceof Condition.Like l
                                        ? "like " + l.line()
                                        : c instanceof Condition.Text t
                                                ? "text " + t.words()
                                                : c.getClass().getSimpleName().toLowerCase(Locale.ROOT);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
                    pictures from may 2021 over 1 mb in DCIM, deleted, not from the phone backup > \
                    kind image & made 2021-05-01..2021-05-31 & size 1000001.. & in ~DCIM & deleted & not[in ~phone backup]
                    show me all the photos taken in may 2021 > kind image & made 2021-05-01..2021-05-31
                    films since 2019 > kind video & made 2019-01-01..
                    word documents older than two years > kind doc+docm+docx+dot & made ..2024-11-24
                    pdfs before 2015 > kind pdf & made ..2014-12-31
                    recordings between march and june 2020 > kind audio & made 2020-03-01..2020-06-30
                    pictures on 4 may 2021 > kind image & made 2021-05-04..2021-05-04
                    pictures from yesterday > kind image & made 2026-11-24..2026-11-24
                    newer than may 2020 > made 2020-06-01..
                    2011-2014 > made 2011-01-01..2014-12-31
                    2019 or 2021 pictures > \
                    (made 2019-01-01..2019-12-31 | text 2019 | made 2021-01-01..2021-12-31 | text 2021) & kind image
                    tide tables 2019 > text tide & text tables & (made 2019-01-01..2019-12-31 | text 2019)
                    pictures or films from 2021 > (kind image | kind video) & made 2021-01-01..2021-12-31
                    pictures and films from 2021 > (kind image | kind video) & made 2021-01-01..2021-12-31
                    pictures from 2020 or films from 2021 > \
                    (kind image & made 2020-01-01..2020-12-31 | kind video & made 2021-01-01..2021-12-31)
                    jpg, png or gif, whole > (kind jpg | kind png | kind gif) & whole
                    not jpg or png > not[(kind jpg | kind png)]
                    pictures but not jpg > kind image & not[kind jpg]
                    (pictures or in DCIM) and not (doubtful or overwritten) > (kind image | in ~DCIM) & not[(doubtful | overwritten)]
                    harbour, pier or mole > (text harbour | text pier | text mole)
                    harbour pier or mole > text harbour & (text pier | text mole)
                    not found by session 3 > not[session 3]
                    session 4 > session 4
                    in volume 1 of session 3 > volume 1 of 3
                    wanted 2 > wanted [75]
                    fits wanted line 1 > wanted [71] sure
                    wanted > wanted [71, 75]
                    chosen, not whole > chosen & not[whole]
                    damaged pictures > doubtful+gapped & kind image
                    IMG_*.jpg > called IMG_*.jpg
                    DCIM/*.jpg > in =DCIM & called *.jpg
                    .docx > called *.docx
                    files ending in txt > called *.txt
                    files called tides > called *tides*
                    like #4711 > like 4711
                    in the trash > trashed
                    pictures without a name > kind image & nameless
                    no pictures > not[kind image]
                    pictures, not theirs, in DCIM > kind image & not theirs & in ~DCIM
                    theirs or tagged wedding > (theirs | tagged wedding)
                    in DCIM tagged "first dance" > in ~DCIM & tagged first dance
                    not tagged, renamed > not[tagged null] & renamed
                    whole with a note > whole & noted
                    pictures deleted in may 2021 > kind image & deleted 2021-05-01..2021-05-31
                    deleted since yesterday, not theirs > deleted 2026-11-24.. & not theirs
                    pdfs, not deleted before 2020 > kind pdf & not[deleted ..2019-12-31]
                    deleted from 2021 > deleted & made 2021-01-01..2021-12-31
                    deleted, since 2019 > deleted & made 2019-01-01..
                    deleted in DCIM > deleted & in ~DCIM
                    word documents containing "harbour dues" > kind doc+docm+docx+dot & inside harbour dues
                    in letters mentioning the word Mara > in ~letters & inside Mara
                    not containing invoice > not[inside invoice]
                    pictures, () > kind image
                    found by content > carved
                    taken with Nordlys K2 in 2020 > with Nordlys K2 & made 2020-01-01..2020-12-31
                    in Holiday Spain over 2 mb > in ~Holiday Spain & size 2000001..
                    from documents > in ~documents
                    under /home/mara/notes > in =home/mara/notes
                    at least 300 kib > size 307200..
                    2 mb or more > size 2000000..
                    between 1 and 5 mb > size 1000000..5000000
                    1 mb to 5 mb > size 1000000..5000000
                    under 500 bytes > size 0..499
                    about 10 kb > size 9000..11000
                    empty files > size 0..0
                    everything >
                    the >  text the
                    résumé > text résumé
                    where are the pictures from may? > kind image & made 2026-05-01..2026-05-31
                    Scan0041.pdf > text Scan0041.pdf
                    I need the pictures on the card > kind image & text card
                    """)
    void whatPeopleAsk(String words, String meant) {
        assertThat(say(ask(words).asked())).isEqualTo(meant == null ? "" : meant);
        assertThat(ask(words).problems()).isEmpty();
    }

    @Test
    void quotationMarksMeanWhatStandsInThem() {
        assertThat(say(ask("\"deleted pictures\"").asked())).isEqualTo("text deleted pictures");
        assertThat(say(ask("in “Tide tables” \"not\"").asked())).isEqualTo("in =Tide tables & text not");
        assertThat(say(ask("\"may 2021").asked())).isEqualTo("text may 2021");
    }

    @Test
    void comparisonsAreTakenAsSigns() {
        assertThat(say(ask(">5MB <= 1 gb").asked())).isEqualTo("size 5000001.. & size 0..1000000000");
    }

    @Test
    void eachPartIsShownWhereItWasRead() {
        String words = "pictures from may 2021, not in DCIM or Camera";
        assertThat(ask(words).parts())
                .extracting(p -> words.substring(p.from(), p.to()), Question.Part::says, Question.Part::not)
                .containsExactly(
                        tuple("pictures", "any picture", false),
                        tuple("from may 2021", "made in May 2021", false),
                        tuple("not in DCIM", "in a folder with “DCIM” in its name", true),
                        tuple("Camera", "“Camera” as text", false));
    }

    private static String shown(String words) {
        return ask(words).parts().stream()
                .map(p -> (p.or() ? "or " : "") + (p.not() ? "not " : "") + p.says())
                .collect(Collectors.joining(", "));
    }

    @Test
    void eachPartSaysHowItIsJoined() {
        assertThat(shown("a1, b1, c1 or d1"))
                .isEqualTo("“a1” as text, or “b1” as text, or “c1” as text, or “d1” as text");
        assertThat(shown("not (whole or damaged)")).isEqualTo("not whole, or not gapped or doubtful");
        assertThat(shown("not (not chosen)")).isEqualTo("chosen for recovery");
        assertThat(shown("pictures from 2020 or films")).endsWith("or any film");
    }

    @Test
    void whatIsLeftOutMeansNothing() {
        assertThat(say(ask("pictures, not (wanted 9)").asked())).isEqualTo("kind image");
        assertThat(say(ask("pictures or (over 5)").asked())).isEqualTo("kind image");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
                    pictures over 5 > over 5 > A size needs a unit, like 5 mb.
                    pictures from 31 february 2020 > from 31 february 2020 > \
                    There is no day 31 february 2020; write it like 4 may 2021 or 2021-05-04.
                    2021-13-40 > 2021-13-40 > There is no day 2021-13-40; write it like 4 may 2021 or 2021-05-04.
                    wanted 9 > wanted 9 > There is no wanted line 9; this case has 2.
                    by session 77 > by session 77 > Session 77 is none of this case; it has 3, 4.
                    pictures like this one > like this one > \
                    Which one? Go to a finding and press L there, or write its number, like #12.
                    like 12 > like 12 > There is no finding 12 in this catalogue.
                    5 mb to 1 mb > 5 mb to 1 mb > The first size is the larger one; turn them round.
                    pictures) > ) > There is no bracket here to close.
                    (pictures > ( > This bracket is never closed.
                    """)
    void whatCannotBeMeantIsSaidWhereItStands(String words, String where, String sentence) {
        assertThat(ask(words).problems())
                .extracting(p -> words.substring(p.from(), p.to()), Question.Problem::sentence)
                .containsExactly(tuple(where, sentence));
    }

    @Test
    void whatContentSaysIsNotAskedWhereNobodyMayLook() {
        Known names =
                new Known(CASE.today(), CASE.wanted(), CASE.sessions(), CASE.devices(), CASE.isLine(), false, false);
        Question q = Question.read("pictures taken with Nordlys", names);
        assertThat(say(q.asked())).isEqualTo("kind image");
        assertThat(q.problems())
                .extracting(Question.Problem::sentence)
                .containsExactly("The customer agreed to file names only; what made a file stands in its content.");
    }

    @Test
    void aQuestionIsBounded() {
        assertThatIllegalArgumentException().isThrownBy(() -> ask("a".repeat(10_000)));
        Question many = ask("x1 ".repeat(300));
        assertThat(many.parts()).hasSize(Question.MOST_PARTS);
        assertThat(many.problems())
                .extracting(Question.Problem::sentence)
                .containsExactly("A question has at most 40 parts; the rest is left out.");
        assertThat(ask("(".repeat(500) + "pictures").parts()).hasSizeLessThan(2);
        assertThat(ask("not ".repeat(200) + "jpg").parts()).hasSize(1);
    }

    /** Whatever is typed means something, and what is shown stands in it. */
    @Test
    void anythingCanBeAsked() {
        String[] pieces = {
            "pictures",
            "or",
            "not",
            "(",
            ")",
            "\"",
            ",",
            "from",
            "in",
            "may",
            "2021",
            "5",
            "mb",
            "over",
            "between",
            "and",
            "to",
            "*",
            "?.jpg",
            "/",
            ".",
            "…",
            "like",
            "#",
            "#1",
            "wanted",
            "session",
            "3",
            "the",
            "“",
            "”",
            ">",
            "<=",
            "older",
            "than",
            "two",
            "years",
            "called",
            "\u202e",
            "\ud83d\ude00",
            "volume",
            "of",
            "31/2/2020"
        };
        Random random = new Random(11);
        for (int run = 0; run < 5_000; run++) {
            String words = random.ints(random.nextInt(12), 0, pieces.length)
                    .mapToObj(i -> pieces[i])
                    .collect(Collectors.joining(random.nextBoolean() ? " " : ""));
            Question q = ask(words);
            int end = 0;
            for (Question.Part p : q.parts()) {
                assertThat(p.from()).as(words).isGreaterThanOrEqualTo(end).isLessThan(p.to());
                assertThat(p.to()).as(words).isLessThanOrEqualTo(words.length());
                end = p.to();
            }
            assertThat(q.problems()).allMatch(p -> p.from() < p.to() && p.to() <= words.length());
        }
    }

    @Test
    void aDeviceOfTheCaseIsNotWhatAPictureWasTakenWith() {
        assertThat(Question.read("pictures on slot 1", CASE).asked())
                .isEqualTo(Question.read("pictures from device 2", CASE).asked());
        assertThat(Question.read("device 2", CASE).asked()).isEqualTo(new Condition.OnDevice(9));
        assertThat(Question.read("slot 4", CASE).problems())
                .extracting(Question.Problem::sentence)
                .containsExactly("There is no slot 4 in this case; it has device 1, device 2, slot 1.");
    }
}
