package org.brantel.server.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What is said of a delivery is what is in the bag: not what was found, not what was chosen, and complete only where
 * somebody looked.
 */
class DeliveredTest {

    private final Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");

    private JsonNode tally(int line) {
        return story.una
                .get(story.path("/catalogue/wanted"))
                .expect(200)
                .json()
                .get(line)
                .get("tally");
    }

    private long line(int index) {
        return story.una
                .get(story.path(""))
                .json()
                .get("wanted")
                .get(index)
                .get("id")
                .asLong();
    }

    private List<Long> pictures(int most) {
        return story.una
                .get(story.path("/catalogue?wanted=" + line(0) + "&fit=fits&prognosis=whole"))
                .json()
                .get("lines")
                .valueStream()
                .map(l -> l.get("id").asLong())
                .limit(most)
                .toList();
    }

    private void choose(List<Long> ids) {
        story.una
                .put(story.path("/catalogue/selection"), Map.of("ids", ids, "selected", true))
                .expect(200);
    }

    private Visitor.Answer confirm(Map<String, Object> body) {
        return story.una.post(story.path("/catalogue/wanted/" + line(0) + "/confirmation"), body);
    }

    private JsonNode account() throws IOException {
        return JsonMapper.shared().readTree(Files.readString(story.bag().resolve("account.json")));
    }

    @Test
    void twoPicturesInTheBagAreTwoEverywhere() throws IOException {
        assertThat(pictures(9)).as("more than two are found").hasSizeGreaterThan(2);
        choose(pictures(2));
        assertThat(tally(0).get("chosen").asInt()).isEqualTo(2);
        assertThat(tally(0).get("delivered").get("whole").asInt())
                .as("nothing is delivered before it is sealed")
                .isZero();
        story.recovered();
        assertThat(tally(0).get("delivered").get("whole").asInt()).isZero();
        story.sealed();
        assertThat(tally(0).get("delivered").get("whole").asInt()).isEqualTo(2);
        JsonNode said = account();
        assertThat(said.get("version").asInt()).isEqualTo(2);
        JsonNode wanted = said.get("wanted").get(0);
        assertThat(wanted.get("delivered").get("whole").asInt()).isEqualTo(2);
        assertThat(wanted.get("found").get("whole").asInt()).isGreaterThan(2);
        assertThat(wanted.get("complete").asBoolean()).isFalse();
        JsonNode link = story.link();
        Visitor customer = story.lab.nobody();
        String portal = "/api/portal/" + link.get("path").asString().substring(3);
        customer.post(portal + "/open", Map.of("passcode", link.get("passcode").asString()))
                .expect(204);
        JsonNode shown = customer.get(portal).json().get("wanted").get(0);
        assertThat(shown.get("delivered")).isEqualTo(wanted.get("delivered"));
        assertThat(shown.get("found")).isEqualTo(wanted.get("found"));

        // What is found and chosen later says nothing of what was sealed.
        byte[] sealed = Files.readAllBytes(story.bag().resolve("account.json"));
        choose(pictures(9));
        story.scanned("carve");
        confirm(Map.of()).expect(200);
        assertThat(tally(0).get("delivered").get("whole").asInt()).isEqualTo(2);
        assertThat(customer.get(portal).json().get("wanted").get(0)).isEqualTo(shown);
        assertThat(Files.readAllBytes(story.bag().resolve("account.json"))).isEqualTo(sealed);
    }

    @Test
    void completeIsWhatWasDeliveredWholeAndConfirmed() throws IOException {
        story.una
                .put(
                        story.path(""),
                        new CaseForms()
                                .told("loss.event", "deleted-directly")
                                .told("since.use", "none")
                                .wanted("the pictures", "image", "", 2)
                                .version(story.una
                                        .get(story.path(""))
                                        .json()
                                        .get("version")
                                        .asInt())
                                .build())
                .expect(200);
        assertThat(confirm(Map.of()).expect(409).sentence())
                .contains("Nothing that fits")
                .contains("the pictures");
        choose(pictures(3));
        assertThat(confirm(Map.of("count", 99)).expect(400).sentence())
                .contains("99 files were confirmed")
                .contains("only");
        assertThat(confirm(Map.of("count", 2)).expect(400).sentence()).contains("3 are chosen");
        assertThat(confirm(Map.of(
                                "findings", LongStream.of(999_999_999L).boxed().toList()))
                        .expect(400)
                        .sentence())
                .contains("Not all of these");
        story.una
                .post(story.path("/catalogue/wanted/999999999/confirmation"), Map.of())
                .expect(404);
        List<Long> theirs = pictures(3).subList(0, 2);
        JsonNode confirmed =
                confirm(Map.of("findings", theirs)).expect(200).json().get(0);
        assertThat(confirmed.get("tally").get("confirmed").get("theirs").asInt())
                .isEqualTo(2);
        assertThat(confirmed.get("complete").asBoolean())
                .as("confirmed, and not delivered")
                .isFalse();
        story.recovered();
        story.sealed();
        assertThat(account().get("files").get(0).get("device").asString())
                .as("the intake was written anew since it was read")
                .isEqualTo("a device that was taken off the intake");
        JsonNode wanted = account().get("wanted").get(0);
        assertThat(wanted.get("delivered").get("whole").asInt()).as("of theirs").isEqualTo(2);
        assertThat(wanted.get("complete").asBoolean()).isTrue();
        assertThat(story.una
                        .get(story.path("/custody"))
                        .json()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("what").asString()))
                .contains("confirmed which files a wanted line meant");
        story.una
                .delete(story.path("/catalogue/wanted/" + line(0) + "/confirmation"))
                .expect(200);
        assertThat(tally(0).has("confirmed")).isFalse();
        assertThat(account().get("wanted").get(0).get("complete").asBoolean())
                .as("the sealed word stands")
                .isTrue();
    }

    @Test
    void whatIsInDoubtIsNeverCountedAsWhole() {
        JsonNode doubtful = story.una
                .get(story.path("/catalogue?prognosis=doubtful"))
                .json()
                .get("lines");
        assertThat(doubtful).isNotEmpty();
        choose(doubtful.valueStream().map(l -> l.get("id").asLong()).toList());
        JsonNode run = story.recovered();
        assertThat(run.get("whole").asInt()).isZero();
        assertThat(run.get("doubtful").asInt()
                        + run.get("gapped").asInt()
                        + run.get("notWritten").asInt())
                .isEqualTo(run.get("total").asInt());
    }

    @Test
    void anAccountOfTheFirstVersionIsReadAndSaysNoMoreThanItsFiles(@TempDir Path folder) throws IOException {
        Path file = Files.writeString(folder.resolve("account.json"), """
                {"format":"brantel-account","version":1,"caseNumber":"BR-2611-0001","lab":"L","files":[
                {"finding":1,"name":"a.jpg","path":"data/a.jpg","size":5,"delivered":"whole","sha256":"00",
                 "gaps":[],"wanted":[7]},
                {"finding":2,"name":"b.jpg","size":5,"delivered":"not-delivered","gaps":[],"why":"w","wanted":[7]}],
                "wanted":[{"line":7,"words":"otters","mustHave":true,"hopedFor":40,"whole":48,
                 "gapped":0,"missing":0}]}""");
        Account account = Account.read(file);
        Account.Wanted otters = account.wanted().get(0);
        assertThat(otters.delivered().whole()).isEqualTo(1);
        assertThat(otters.found().mayFit()).isEqualTo(48);
        assertThat(otters.complete()).isFalse();
    }
}
