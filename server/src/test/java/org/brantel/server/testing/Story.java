package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.Corpus;
import tools.jackson.databind.JsonNode;

/** Takes a case along, step by step; each test stops where it wants to look. */
public final class Story {

    public final Lab lab = Lab.open();
    public final Visitor una = lab.as("una");
    public final String number;

    private Story(CaseForms form) {
        number = form.log(una);
    }

    /** A case whose device is the corpus image d01 in the inbox. */
    public static Story ofD01() {
        Corpus.image("d01-fat16", lab().inbox());
        return new Story(new CaseForms()
                .told("loss.event", "deleted-directly")
                .told("since.use", "none")
                .wanted("the pictures", "image", "", 6)
                .wanted("letters and notes", "document", "", 3));
    }

    public static Story of(CaseForms form) {
        return new Story(form);
    }

    private static Lab lab() {
        return Lab.open();
    }

    public String path(String rest) {
        return "/api/cases/" + number + rest;
    }

    public Story decided() {
        JsonNode docket = una.get(path("")).json();
        String first = una.get(path("/triage"))
                .json()
                .get("ranking")
                .get(0)
                .get("path")
                .asString();
        una.post(
                        path("/triage/decision"),
                        Map.of("path", first, "version", docket.get("version").asInt()))
                .expect(200);
        return this;
    }

    public Story attached(String medium) {
        una.post(path("/bench/attachment"), Map.of("medium", medium)).expect(201);
        return this;
    }

    /** @return the session's number */
    public long imaging(String profile) {
        return una.post(path("/imaging"), Map.of("profile", profile))
                .expect(201)
                .json()
                .get("id")
                .asLong();
    }

    /**
     * Reads the attached medium until so many requests failed.
     *
     * @return the session, which asks what to do
     */
    public JsonNode readUntilFaults(int faults) {
        Map<String, Integer> limits =
                Map.of("faultsInRow", 0, "faultsInAll", faults, "celsius", 0, "growth", 0, "minutes", 0);
        una.post(path("/imaging"), Map.of("profile", "failing", "limits", limits, "mibPerSecond", 0))
                .expect(201);
        return awaitImaging("paused");
    }

    public JsonNode session() {
        return una.get(path("/bench")).expect(200).json().get("sessions").get(0);
    }

    public JsonNode awaitImaging(String state) {
        return una.await(
                        path("/bench"),
                        b -> b.get("sessions").get(0).get("state").asString().equals(state))
                .get("sessions")
                .get(0);
    }

    public Story imaged(String medium) {
        decided().attached(medium).imaging("healthy");
        awaitImaging("done");
        return this;
    }

    public Story scanned(String method) {
        return scanned(method, false);
    }

    /** @param hashes of every finding */
    public Story scanned(String method, boolean hashes) {
        una.post(path("/scans"), Map.of("method", method, "again", true, "hashes", hashes))
                .expect(201);
        JsonNode scans = una.await(path("/scans"), s -> !List.of("waiting", "running")
                .contains(last(s).get("state").asString()));
        assertThat(last(scans).get("state").asString()).as("%s", last(scans)).isEqualTo("done");
        return this;
    }

    public static JsonNode last(JsonNode list) {
        return list.get(list.size() - 1);
    }

    public Story selectedWhole() {
        una.put(
                        path("/catalogue/selection"),
                        Map.of(
                                "ids",
                                List.of(),
                                "selected",
                                true,
                                "filter",
                                Map.of(
                                        "kinds",
                                        List.of(),
                                        "origins",
                                        List.of(),
                                        "prognoses",
                                        List.of("whole"),
                                        "selectedOnly",
                                        false)))
                .expect(200);
        return this;
    }

    public JsonNode recovered() {
        una.post(path("/recovery")).expect(201);
        return una.await(
                        path("/recovery"), r -> r.get(0).get("state").asString().equals("done"))
                .get(0);
    }

    public JsonNode sealed() {
        una.post(path("/deliveries")).expect(201);
        return una.await(
                        path("/deliveries"),
                        d -> d.get(0).get("state").asString().equals("sealed"))
                .get(0);
    }

    /** @return path and passcode of the customer's link */
    public JsonNode link() {
        long delivery = una.get(path("/deliveries")).json().get(0).get("id").asLong();
        return una.post("/api/deliveries/" + delivery + "/link").expect(200).json();
    }

    /** Waits until the Desk asks this of the case. */
    public void awaitQuestion(String question, String why) {
        una.await(path("/questions"), all -> all.valueStream()
                .anyMatch(q -> q.get("question").asString().equals(question)
                        && q.get("reason").asString().contains(why)));
    }

    /** All devices went back to their owner, and the medium is off the bench. */
    public void returned(String words) {
        una.delete(path("/bench/attachment")).expect(204);
        List<Long> devices = una.get(path("/closing"))
                .json()
                .get("devices")
                .valueStream()
                .map(d -> d.get("id").asLong())
                .toList();
        String day = LocalDate.now(ZoneOffset.UTC).toString();
        una.post(
                        path("/closing/devices"),
                        Map.of("devices", devices, "disposition", "returned", "words", words, "day", day))
                .expect(200);
    }

    /** What a browser computes of all files of a delivery, as it tells the lab. */
    public static List<Map<String, Object>> seen(JsonNode page) {
        return page.get("files")
                .valueStream()
                .map(f -> Map.<String, Object>of(
                        "number",
                        f.get("number").asInt(),
                        "sha256",
                        f.get("sha256").asString()))
                .toList();
    }

    public Path bag() {
        long delivery = una.get(path("/deliveries")).json().get(0).get("id").asLong();
        return lab.home().resolve("bags").resolve(number).resolve(number + "-delivery-" + delivery);
    }
}
