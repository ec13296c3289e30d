package org.brantel.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Documents;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Laid;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

/** The words of documents are read when somebody asks, and are searched where the customer agreed to contents. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WordsTest {

    private static final int SLOT = 256 << 10;

    private final Lab lab = Lab.open();
    private Laid laid;

    @BeforeAll
    void lay() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        Documents.all("The harbour dues of the Nordlys, spring 1962")
                .forEach((kind, document) -> files.put("dues." + kind, document));
        files.put("boats.pdf", Documents.pdf("Nothing about boats"));
        files.put("torn.pdf", new byte[] {'%', 'P', 'D', 'F', '-', '1'});
        files.put("comb.jpg", new byte[] {1, 2, 3});
        laid = Laid.on(lab, "words.img", SLOT, files);
    }

    private static JsonNode words(Story story) {
        return story.una.get(story.path("/catalogue/words")).expect(200).json();
    }

    private static JsonNode read(Story story) {
        story.una.post(story.path("/catalogue/words")).expect(201);
        return story.una.await(
                story.path("/catalogue/words"),
                w -> w.path("run").path("state").asString().equals("done"));
    }

    private static List<JsonNode> asked(Story story, String question) {
        return story.una
                .get(story.path("/catalogue?q=" + URLEncoder.encode(question, StandardCharsets.UTF_8)))
                .expect(200)
                .json()
                .get("lines")
                .valueStream()
                .toList();
    }

    @Test
    void wordsAreFoundOnceTheyWereRead() throws IOException {
        Story story = laid.found(new CaseForms());
        assertThat(words(story).get("documents").asInt()).isEqualTo(13);
        assertThat(words(story).get("looked").asInt()).isZero();
        assertThat(asked(story, "containing \"harbour dues\"")).isEmpty();
        JsonNode done = read(story);
        assertThat(done.get("looked").asInt()).isEqualTo(13);
        assertThat(done.get("said").asInt()).isEqualTo(12);
        assertThat(done.get("run").get("unreadable").asInt()).isEqualTo(1);
        assertThat(asked(story, "containing \"harbour dues\"")).hasSize(11);
        assertThat(asked(story, "pdf containing \"harbour dues\"")).hasSize(1);
        assertThat(asked(story, "containing \"Harbour DUES of the nord\""))
                .as("a word that goes on")
                .hasSize(11);
        assertThat(asked(story, "containing \"dues harbour\""))
                .as("in another order")
                .isEmpty();
        assertThat(asked(story, "not containing harbour")).hasSize(3);
        assertThat(asked(story, "boats")).as("as text").hasSize(1);
        assertThat(asked(story, "containing \"&|!\"")).isEmpty();
        long line = asked(story, "pdf containing dues").get(0).get("id").asLong();
        JsonNode excerpt = story.una
                .get(story.path("/catalogue/" + line + "/words?asked=dues"))
                .expect(200)
                .json();
        assertThat(excerpt.get("pieces")
                        .valueStream()
                        .filter(p -> p.get("asked").asBoolean())
                        .map(p -> p.get("text").asString()))
                .containsExactly("dues");
        assertThat(story.una
                        .get(story.path("/catalogue/" + line + "/words?asked=elsewhere"))
                        .expect(200)
                        .json()
                        .get("pieces"))
                .isEmpty();
    }

    /** More lines than are named one by one are asked for by what is kept beside them. */
    @Test
    void whatIsSaidInVeryManyFilesIsFoundAsWell() throws IOException {
        Story story = laid.found(new CaseForms());
        read(story);
        lab.sql()
                .update(
                        "insert into catalogue_words (line_id, case_id, content, outcome, said) select 1000000000 + n, c.id, "
                                + "'x', 'READ', 'harbour dues' from generate_series(1, 1500) n, lab_case c where c.number = ?",
                        story.number);
        lab.sql()
                .update(
                        "insert into catalogue_remark (line_id, case_id, tags, who, at) select 1000000000 + n, c.id, "
                                + "array['harbour'], 'Una', now() from generate_series(1, 1500) n, lab_case c "
                                + "where c.number = ?",
                        story.number);
        assertThat(asked(story, "containing \"harbour dues\"")).hasSize(11);
        assertThat(asked(story, "not containing harbour")).hasSize(3);
        assertThat(asked(story, "harbour")).hasSize(11);
        assertThat(asked(story, "tagged harbour")).isEmpty();
        assertThat(asked(story, "pdf, not tagged harbour")).hasSize(3);
    }

    /** Done again, nothing is read twice; what has other bytes since is. */
    @Test
    void onlyWhatIsNewIsReadAgain() throws IOException {
        Story story = laid.found(new CaseForms());
        read(story);
        lab.sql()
                .update(
                        "update catalogue_words set said = 'kept as it is' where case_id = (select id from lab_case "
                                + "where number = ?)",
                        story.number);
        JsonNode again = read(story);
        assertThat(again.get("run").get("done").asInt()).isEqualTo(13);
        assertThat(asked(story, "containing \"kept as it is\"")).hasSize(13);
        lab.sql()
                .update(
                        "update catalogue_words set content = 'other bytes' where case_id = (select id from lab_case "
                                + "where number = ?)",
                        story.number);
        read(story);
        assertThat(asked(story, "containing \"kept as it is\"")).isEmpty();
        assertThat(asked(story, "containing dues")).hasSize(11);
        lab.sql()
                .update(
                        "update catalogue_words set outcome = 'LATE', said = '' where case_id = (select id from lab_case "
                                + "where number = ?)",
                        story.number);
        assertThat(words(story).get("looked").asInt()).as("given up").isZero();
        read(story);
        assertThat(asked(story, "containing dues")).hasSize(11);
    }

    /** What was never read may have held more words. */
    @Test
    void aDocumentWithGapsIsNotSaidToBeReadWhole() {
        assertThat(new WordsIn(Outcome.READ, "dues").partly()).isEqualTo(new WordsIn(Outcome.PARTLY, "dues"));
        assertThat(WordsIn.not(Outcome.LOCKED).partly()).isEqualTo(WordsIn.not(Outcome.LOCKED));
        assertThat(Outcome.PARTLY.isRead()).isTrue();
        assertThat(Outcome.PARTLY.sentence()).contains("not all read");
    }

    /** What was read goes with the yes to it. */
    @Test
    void wordsAreForgottenWhenTheCustomerTakesTheirYesBack() throws IOException {
        Story story = laid.found(new CaseForms());
        read(story);
        int version =
                story.una.get(story.path("")).expect(200).json().get("version").asInt();
        story.una
                .put(
                        story.path(""),
                        new CaseForms()
                                .consent("look", "previews")
                                .version(version)
                                .build())
                .expect(200);
        assertThat(words(story).get("looked").asInt()).isZero();
        assertThat(words(story).get("closed").asString()).contains("agreed to previews only");
    }

    @Test
    void wordsStayClosedWithoutTheCustomersYes() throws IOException {
        Story story = laid.found(new CaseForms().consent("look", "previews"));
        assertThat(words(story).get("closed").asString()).contains("agreed to previews only");
        assertThat(story.una.post(story.path("/catalogue/words")).expect(423).sentence())
                .contains("record their yes to contents");
        JsonNode page = story.una
                .get(story.path("/catalogue?q=containing%20dues"))
                .expect(200)
                .json();
        assertThat(page.get("question").get("problems").get(0).get("sentence").asString())
                .contains("did not agree to contents");
        lab.sql()
                .update(
                        "insert into catalogue_words (line_id, case_id, content, outcome, said) select l.id, l.case_id, "
                                + "'x', 'READ', 'secret dues' from catalogue_line l join lab_case c on c.id = l.case_id "
                                + "where c.number = ?",
                        story.number);
        assertThat(asked(story, "secret"))
                .as("words of a yes that was taken back")
                .isEmpty();
        long line = asked(story, "").get(0).get("id").asLong();
        JsonNode excerpt = story.una
                .get(story.path("/catalogue/" + line + "/words?asked=dues"))
                .expect(200)
                .json();
        assertThat(excerpt.get("pieces")).isEmpty();
        assertThat(excerpt.get("sentence").asString()).contains("agreed to previews only");
    }

    @Test
    void whatCannotBeReadIsRefusedInASentence() {
        Story story = Story.of(new CaseForms());
        assertThat(story.una.post(story.path("/catalogue/words")).expect(409).sentence())
                .contains("has no documents");
        assertThat(story.una
                        .post(story.path("/catalogue/words/pause"))
                        .expect(409)
                        .sentence())
                .contains("nothing to pause");
    }
}
