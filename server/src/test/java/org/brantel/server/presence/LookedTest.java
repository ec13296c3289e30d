package org.brantel.server.presence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Who comes back to a case is told what others did since. */
class LookedTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final Visitor tom = lab.as("tom");

    private static String news(String number) {
        return "/api/cases/" + number + "/presence/news";
    }

    private static void seen(Visitor who, String number) {
        who.put(
                        news(number),
                        Map.of("upTo", who.get(news(number)).json().get("upTo").asLong()))
                .expect(204);
    }

    private static Stream<String> did(JsonNode news) {
        return news.get("did")
                .valueStream()
                .map(d -> d.get("who").asString() + " " + d.get("what").asString());
    }

    @Test
    void whoNeverLookedHasNothingToCatchUpWith() {
        String number = new CaseForms().log(una);
        JsonNode news = tom.get(news(number)).expect(200).json();
        assertThat(news.has("at")).isFalse();
        assertThat(news.get("did").size()).isZero();
    }

    @Test
    void whatOthersDidIsNewsOnceAndOwnDoingsNever() {
        String number = new CaseForms().log(una);
        seen(una, number);
        seen(tom, number);
        una.post("/api/cases/" + number + "/owner", Map.of("login", "tom")).expect(200);
        assertThat(una.get(news(number)).json().get("did").size()).isZero();
        JsonNode his = tom.get(news(number)).json();
        assertThat(his.has("at")).isTrue();
        assertThat(did(his)).singleElement().asString().endsWith("handed the case over");
        seen(tom, number);
        assertThat(tom.get(news(number)).json().get("did").size()).isZero();
    }

    @Test
    void whatWasSeenStaysSeenWhateverAnOlderWindowSays() {
        String number = new CaseForms().log(una);
        seen(tom, number);
        una.post("/api/cases/" + number + "/owner", Map.of("login", "tom")).expect(200);
        seen(tom, number);
        tom.put(news(number), Map.of("upTo", 1)).expect(204);
        assertThat(tom.get(news(number)).json().get("did").size()).isZero();
        tom.put(news(number), Map.of("upTo", 1_000_000)).expect(204);
        una.post("/api/cases/" + number + "/owner", Map.of("login", "una")).expect(200);
        assertThat(tom.get(news(number)).json().get("did").size())
                .as("nobody has seen what is not there yet")
                .isEqualTo(1);
        tom.put(news(number), Map.of("upTo", -1)).expect(400);
        tom.get(news("BR-1999-0001")).expect(404);
    }

    @Test
    void ofVeryMuchTheNewestIsListedAndTheRestCounted() {
        String number = new CaseForms().log(una);
        seen(tom, number);
        IntStream.range(0, 35).forEach(i -> {
            una.post("/api/cases/" + number + "/owner", Map.of("login", "petra"))
                    .expect(200);
            una.post("/api/cases/" + number + "/owner", Map.of("login", "una")).expect(200);
        });
        JsonNode news = tom.get(news(number)).json();
        assertThat(news.get("did").size()).isEqualTo(60);
        assertThat(news.get("more").asLong()).isEqualTo(10);
        assertThat(news.get("did").valueStream().map(d -> d.get("number").asLong()))
                .isSorted()
                .endsWith(news.get("upTo").asLong());
    }
}
