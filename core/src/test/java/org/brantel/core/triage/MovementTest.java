package org.brantel.core.triage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.brantel.core.json.Json;
import org.junit.jupiter.api.Test;

class MovementTest {

    private static final Protocol PROTOCOL = Protocol.current();

    private static Ranking rank(Protocol protocol, Map<String, List<String>> told, Map<String, List<String>> observed) {
        return new Triage(protocol).rank(Facts.of(told, observed, protocol));
    }

    @Test
    void aNewFactShowsWhatItMoved() {
        Map<String, List<String>> told =
                Map.of("medium.type", List.of("hdd"), "symptom.appears", List.of("files-missing"));
        Movement m = Movement.between(
                rank(PROTOCOL, told, Map.of()), rank(PROTOCOL, told, Map.of("bench.noise", List.of("clicking"))));
        assertThat(m.ledBefore()).isEqualTo(RecoveryPath.IMAGE_THEN_SCAN);
        assertThat(m.leadsNow()).isEqualTo(RecoveryPath.HARDWARE_WORK);
        assertThat(m.newStops()).contains("no-power");
        assertThat(m.matters()).isTrue();
        Movement.Move image = m.moves().stream()
                .filter(x -> x.path() == RecoveryPath.IMAGE_THEN_SCAN)
                .findFirst()
                .orElseThrow();
        assertThat(image.barredNow()).isTrue();
        assertThat(image.came()).anyMatch(c -> c.startsWith("barred: "));
    }

    @Test
    void nothingMovesBetweenARankingAndItself() {
        Ranking r = rank(PROTOCOL, Map.of("symptom.noise", List.of("clicking")), Map.of());
        Movement m = Movement.between(r, r);
        assertThat(m.moves()).isEmpty();
        assertThat(m.matters()).isFalse();
    }

    @Test
    void aNewerProtocolIsReplayed() throws IOException {
        Protocol newer = Protocol.parse(
                Json.write(PROTOCOL)
                        .replace("\"version\":\"2\"", "\"version\":\"3\"")
                        .replace(
                                "\"path\":\"image-then-scan\",\"weight\":5,\"reason\":\"Deleted files leave",
                                "\"path\":\"image-then-scan\",\"weight\":1,\"reason\":\"Deleted files leave"),
                "newer");
        Map<String, List<String>> told =
                Map.of("loss.event", List.of("deleted-directly"), "copy.cloud", List.of("partly"));
        Movement m = Movement.between(rank(PROTOCOL, told, Map.of()), rank(newer, told, Map.of()));
        assertThat(m.moves()).singleElement().satisfies(move -> {
            assertThat(move.before() - move.after()).isEqualTo(4);
            assertThat(move.went())
                    .containsExactly("+5 Deleted files leave records and bytes behind until they are written over.");
        });
        assertThat(m.leadsNow()).isEqualTo(RecoveryPath.EXISTING_COPY);
    }
}
