package org.brantel.server.devices;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Each device of a case has facts, locks, a path, an attachment and images of its own. */
class DevicesTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private static CaseForms disks() {
        return new CaseForms()
                .device("type", "hdd")
                .device("serial", "ST-1")
                .another("hdd", "serial", "ST-2")
                .another("hdd", "serial", "ST-3")
                .told("loss.event", "deleted-directly")
                .told("copy.backup", "none");
    }

    private static String of(String number) {
        return "/api/cases/" + number;
    }

    private JsonNode docket(String number) {
        return una.get(of(number)).expect(200).json();
    }

    private long device(String number, int position) {
        return docket(number).get("devices").get(position - 1).get("id").asLong();
    }

    private JsonNode state(String number, int position) {
        return una.get(of(number) + "/devices").expect(200).json().get(position - 1);
    }

    private void clicks(String number, long device) {
        una.post(
                        of(number) + "/bench-check?device=" + device,
                        Map.of(
                                "answers",
                                List.of(Map.of("code", "bench.noise", "value", "clicking", "measured", false))))
                .expect(204);
    }

    private Visitor.Answer decide(String number, Long device, String path) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "path",
                path,
                "reason",
                "said so",
                "version",
                docket(number).get("version").asInt()));
        if (device != null) {
            body.put("device", device);
        }
        return una.post(of(number) + "/triage/decision", body);
    }

    private List<String> questions(String number) {
        return una.get(of(number) + "/questions")
                .expect(200)
                .json()
                .valueStream()
                .map(q -> (q.has("which") ? q.get("which").asString() + ": " : "")
                        + q.get("question").asString())
                .toList();
    }

    /** A copy of an image of the corpus, in the inbox. */
    private String inbox(String name) throws IOException {
        Path image = Corpus.image("d01-fat16", lab.inbox());
        Files.copy(image, lab.inbox().resolve(name), StandardCopyOption.REPLACE_EXISTING);
        return "inbox/" + name;
    }

    @Test
    void aMemberThatClicksBarsItselfAlone() throws IOException {
        String number = disks().log(una);
        long third = device(number, 3);
        clicks(number, third);
        JsonNode locked =
                una.get(of(number) + "/locks?device=" + third).expect(200).json();
        assertThat(locked.get("untouchable").toString()).contains("device 3", "bench: clicks");
        assertThat(una.get(of(number) + "/locks?device=" + device(number, 1))
                        .json()
                        .get("untouchable"))
                .isEmpty();
        assertThat(state(number, 3).get("barred").asString()).contains("device 3");
        assertThat(state(number, 1).has("barred")).isFalse();
        assertThat(state(number, 3).get("leads").asString()).isEqualTo("hardware-work");
        assertThat(una.get(of(number) + "/triage?device=" + third)
                        .json()
                        .get("ranking")
                        .get(0)
                        .get("path")
                        .asString())
                .isEqualTo("hardware-work");
        String medium = inbox("clicks.img");
        Map<String, Object> attach = Map.of("medium", medium, "device", third);
        assertThat(una.post(of(number) + "/bench/attachment", attach)
                        .expect(423)
                        .sentence())
                .contains("device 3");
        una.post(of(number) + "/bench/attachment", Map.of("medium", medium, "device", device(number, 1)))
                .expect(201);
        una.post(
                        of(number) + "/locks/releases?device=" + third,
                        Map.of("rule", "no-power", "reason", "One try at the cleanroom's wish."))
                .expect(201);
        assertThat(una.get(of(number) + "/locks?device=" + third).json().get("untouchable"))
                .isEmpty();
        clicks(number, device(number, 2));
        assertThat(una.get(of(number) + "/locks?device=" + device(number, 2))
                        .json()
                        .get("untouchable"))
                .as("a release is of one device")
                .isNotEmpty();
        String twice =
                una.post(of(number) + "/bench/attachment", attach).expect(409).sentence();
        assertThat(twice).contains("stands for device 1");
    }

    @Test
    void eachGoesItsWayAndTheLastOneGivesTheCaseAPath() {
        String number = disks().log(una);
        clicks(number, device(number, 3));
        assertThat(questions(number))
                .as("%s", questions(number))
                .anyMatch(q -> q.startsWith("devices 1 and 2: "))
                .contains("device 3: Hardware work?");
        decide(number, device(number, 3), "hardware-work").expect(200);
        assertThat(docket(number).get("stage").asString()).isEqualTo("received");
        assertThat(state(number, 3).get("path").asString()).isEqualTo("hardware-work");
        assertThat(state(number, 3).get("own").asBoolean()).isTrue();
        assertThat(state(number, 1).has("path")).isFalse();
        assertThat(questions(number)).contains("device 3: Send the device to the partner?");
        decide(number, null, "image-then-scan").expect(200);
        assertThat(docket(number).get("stage").asString()).isEqualTo("triaged");
        assertThat(state(number, 1).get("path").asString()).isEqualTo("image-then-scan");
        assertThat(state(number, 3).get("path").asString()).isEqualTo("hardware-work");
        assertThat(questions(number)).contains("devices 1 and 2: Attach its device and read it?");
        clicks(number, device(number, 2));
        assertThat(questions(number)).contains("device 2: A path of its own: hardware work?");
        assertThat(una.get(of(number) + "/triage/history?device=" + device(number, 2))
                        .json()
                        .has("moved"))
                .as("the decision was made by the facts of the first device")
                .isFalse();
        una.post(of(number) + "/triage/undo").expect(200);
        assertThat(docket(number).get("stage").asString()).isEqualTo("received");
        decide(number, device(number, 1), "image-then-scan").expect(200);
        decide(number, device(number, 2), "decline").expect(200);
        assertThat(docket(number).get("stage").asString()).isEqualTo("triaged");
        assertThat(docket(number).get("path").asString()).isEqualTo("image-then-scan");
        assertThat(state(number, 2).get("stage").asString()).isEqualTo("declined");
        assertThat(state(number, 2).get("barred").asString()).contains("declined");
        una.post(of(number) + "/triage/undo").expect(200);
        assertThat(docket(number).get("stage").asString()).isEqualTo("received");
        assertThat(docket(number).has("path"))
                .as("it had come with the last device")
                .isFalse();
        for (int position = 1; position <= 3; position++) {
            decide(number, device(number, position), "decline").expect(200);
        }
        assertThat(docket(number).get("stage").asString()).isEqualTo("declined");
    }

    /** The same place on two media is two files, the same content is one; both are read and scanned at once. */
    @Test
    void twoAreReadAndScannedSideBySide() throws IOException {
        Story alone = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure");
        JsonNode first = alone.una
                .get(alone.path("/catalogue?sort=size&prognosis=whole"))
                .expect(200)
                .json()
                .get("lines");
        JsonNode changed = first.valueStream()
                .filter(l -> l.has("path") && l.get("size").asLong() > 600)
                .findFirst()
                .orElseThrow();
        String number = disks().log(una);
        String one = inbox("side-one.img");
        String other = inbox("side-other.img");
        Path file = lab.inbox().resolve("side-other.img");
        byte[] bytes = Files.readAllBytes(file);
        long at = Objects.requireNonNull(lab.sql()
                .queryForObject(
                        "select (extents::jsonb -> 0 ->> 0)::bigint from catalogue_line where id = ?",
                        Long.class,
                        changed.get("id").asLong()));
        bytes[(int) at + 500] ^= 1;
        Files.write(file, bytes);
        decide(number, null, "image-then-scan").expect(200);
        Map<String, Long> media = Map.of(one, device(number, 1), other, device(number, 2));
        media.forEach((medium, device) -> una.post(
                        of(number) + "/bench/attachment", Map.of("medium", medium, "device", device))
                .expect(201));
        String unclear = una.post(of(number) + "/imaging", Map.of("profile", "healthy", "device", device(number, 3)))
                .expect(409)
                .sentence();
        assertThat(unclear).contains("No medium is attached");
        media.values()
                .forEach(device -> una.post(of(number) + "/imaging", Map.of("profile", "healthy", "device", device))
                        .expect(201));
        una.await(
                of(number) + "/devices",
                d -> d.valueStream()
                                .filter(s -> s.has("read")
                                        && s.get("read").get("state").asString().equals("done"))
                                .count()
                        == 2);
        assertThat(una.get(of(number) + "/bench?device=" + device(number, 2))
                        .json()
                        .get("sessions"))
                .hasSize(1);
        media.values()
                .forEach(device -> una.await(of(number) + "/scans", s -> s.valueStream()
                        .noneMatch(x -> x.get("device").asLong() == device
                                && List.of("waiting", "running")
                                        .contains(x.get("state").asString()))));
        media.values()
                .forEach(device -> una.post(of(number) + "/scans", Map.of("method", "structure", "device", device))
                        .expect(201));
        una.await(
                of(number) + "/devices",
                d -> d.valueStream()
                                .filter(s -> s.get("stage").asString().equals("selection"))
                                .count()
                        == 2);
        JsonNode lines =
                una.get(of(number) + "/catalogue?size=200").expect(200).json().get("lines");
        List<JsonNode> named = lines.valueStream()
                .filter(l -> l.has("path")
                        && l.get("path").asString().equals(changed.get("path").asString()))
                .toList();
        assertThat(named)
                .as("one byte differs, so it is another file on the other device")
                .hasSize(2);
        assertThat(named).extracting(l -> l.get("device").asLong()).containsExactlyInAnyOrderElementsOf(media.values());
        long whole = first.valueStream()
                .filter(l -> l.get("prognosis").asString().equals("whole"))
                .count();
        assertThat(lines.valueStream()
                        .filter(l -> l.get("prognosis").asString().equals("whole"))
                        .count())
                .as("what is the same on both is one line")
                .isEqualTo(whole + 1);
        List<JsonNode> onTheSecond = lines.valueStream()
                .filter(l -> l.get("devices").valueStream().anyMatch(d -> d.asLong() == device(number, 2)))
                .toList();
        assertThat(onTheSecond.stream().filter(l -> l.get("devices").size() == 2))
                .as("what both hold is on both, whichever was scanned first and gives the bytes")
                .hasSizeGreaterThan(2);
        assertThat(una.get(of(number) + "/catalogue?q=device%202&size=200")
                        .expect(200)
                        .json()
                        .get("lines"))
                .extracting(l -> l.get("id").asLong())
                .containsExactlyInAnyOrderElementsOf(
                        onTheSecond.stream().map(l -> l.get("id").asLong()).toList());
    }

    @Test
    void factsOfAFormSayWhichDeviceTheyAreOf() {
        CaseForms form = disks().toldOf(2, "symptom.noise", "clicking").told("symptom.noise", "none");
        String number = form.log(una);
        List<JsonNode> noise = docket(number)
                .get("facts")
                .valueStream()
                .filter(f -> f.get("code").asString().equals("symptom.noise"))
                .toList();
        assertThat(noise).hasSize(2);
        assertThat(noise.stream()
                        .filter(f -> f.has("device"))
                        .findFirst()
                        .orElseThrow()
                        .get("device")
                        .asLong())
                .isEqualTo(device(number, 2));
        assertThat(state(number, 2).get("barred").asString()).contains("device 2");
        assertThat(state(number, 1).has("barred")).isFalse();
        Map<String, Object> wrong =
                disks().toldOf(4, "symptom.noise", "clicking").build();
        assertThat(una.post("/api/cases", wrong).expect(400).sentence())
                .isEqualTo("The fact 'symptom.noise' is said of device 4, but there are 3.");
    }

    @Test
    void twoWithOneSerialMustBeToldApartByAPerson() throws IOException {
        long bytes = Files.size(lab.inbox().resolve(inbox("twins.img").substring(6)));
        assertThat(bytes).isPositive();
        Visitor visitor = una;
        String number = new CaseForms()
                .device("type", "hdd")
                .device("serial", "TWIN-7")
                .another("hdd", "serial", "TWIN-7")
                .told("loss.event", "deleted-directly")
                .log(visitor);
        assertThat(docket(number).get("devices")).hasSize(2);
        String key = BenchDevices.put(lab, "twin", BenchDevices.device(lab, 1 << 20));
        String serial = una.get("/api/bench")
                .json()
                .get("stations")
                .valueStream()
                .map(s -> s.get("medium"))
                .filter(m -> m.get("key").asString().equals(key))
                .map(m -> m.get("identity").get("serial").asString())
                .findFirst()
                .orElseThrow();
        lab.sql()
                .update(
                        "update device set serial = ?, capacity = 0 where case_id = (select id from lab_case where number = ?)",
                        serial,
                        number);
        assertThat(una.post(of(number) + "/bench/attachment", Map.of("medium", key))
                        .expect(400)
                        .sentence())
                .contains("device 1 and device 2 have the serial", "say which");
        una.post(of(number) + "/bench/attachment", Map.of("medium", key, "device", device(number, 2)))
                .expect(201);
        assertThat(state(number, 2).get("medium").asString()).isEqualTo(key);
    }

    @Test
    void membersOfTwoSetsAreToldApartByTheirSet() {
        CaseForms twice = new CaseForms();
        for (int i = 0; i < 2; i++) {
            twice.another("hdd", "setName", "NAS").last("slot", 1);
        }
        assertThat(una.post("/api/cases", twice.build()).expect(400).sentence())
                .isEqualTo("Slot 1 of NAS is given twice; a slot holds one device.");
        String number = new CaseForms()
                .told("loss.event", "deleted-directly")
                .another("hdd", "setName", "NAS")
                .last("slot", 1)
                .another("hdd", "setName", "NAS")
                .last("slot", 2)
                .another("hdd", "setName", "old NAS")
                .last("slot", 1)
                .log(una);
        assertThat(una.get(of(number) + "/devices").expect(200).json())
                .extracting(d -> d.get("which").asString())
                .containsExactly("device 1", "slot 1 of NAS", "slot 2 of NAS", "slot 1 of old NAS");
        for (int position = 2; position <= 4; position++) {
            clicks(number, device(number, position));
        }
        assertThat(questions(number)).anyMatch(q -> q.startsWith("slots 1 and 2 of NAS and slot 1 of old NAS: "));
    }

    @Test
    void fortyDevicesAskTogether() {
        CaseForms form = new CaseForms().device("type", "hdd").told("loss.event", "deleted-directly");
        for (int i = 2; i <= 40; i++) {
            form.another("hdd", "serial", "F-" + i);
        }
        String number = form.log(una);
        clicks(number, device(number, 17));
        assertThat(una.get(of(number) + "/devices").expect(200).json()).hasSize(40);
        assertThat(questions(number)).hasSize(2).anyMatch(q -> q.startsWith("device 17: "));
        assertThat(una.get(of(number) + "/locks?device=" + Long.MAX_VALUE)
                        .expect(404)
                        .sentence())
                .contains("does not belong to " + number);
    }

    /** What is on record of a device alone goes with it; what was said of all stays, and both custody records say so. */
    @Test
    void aDeviceGoesToAnotherCaseWithItsHistory() throws IOException {
        String number = disks().log(una);
        String other = new CaseForms().told("loss.event", "formatted").log(una);
        long second = device(number, 2);
        clicks(number, second);
        una.post(of(number) + "/locks/releases?device=" + second, Map.of("rule", "no-power", "reason", "One try."))
                .expect(201);
        decide(number, second, "careful-imaging").expect(200);
        String medium = inbox("moving.img");
        una.post(of(number) + "/bench/attachment", Map.of("medium", medium, "device", second))
                .expect(201);
        una.post(of(number) + "/imaging", Map.of("profile", "healthy", "device", second))
                .expect(201);
        Map<String, String> move = Map.of("to", other, "reason", "It is another customer's.");
        String path = of(number) + "/devices/" + second + "/move";
        una.await(
                of(number) + "/bench?device=" + second,
                b -> b.get("sessions").get(0).get("state").asString().equals("done"));
        assertThat(una.post(path, move).expect(409).sentence()).contains("detach it at the bench first");
        una.delete(of(number) + "/bench/attachment?device=" + second).expect(204);
        assertThat(una.post(path, Map.of("to", "BR-0000-0000", "reason", "why"))
                        .expect(404)
                        .sentence())
                .contains("There is no case BR-0000-0000");
        assertThat(una.post(path, Map.of("to", number, "reason", "why"))
                        .expect(400)
                        .sentence())
                .contains("already");
        una.post(path, move).expect(204);
        assertThat(docket(number).get("devices")).hasSize(2);
        assertThat(docket(number).get("devices"))
                .extracting(d -> d.get("position").asInt())
                .containsExactly(1, 2);
        JsonNode moved = state(other, 2);
        assertThat(moved.get("id").asLong()).isEqualTo(second);
        assertThat(moved.get("path").asString()).isEqualTo("careful-imaging");
        assertThat(moved.get("read").get("state").asString()).isEqualTo("done");
        JsonNode locks =
                una.get(of(other) + "/locks?device=" + second).expect(200).json();
        assertThat(locks.get("untouchable")).as("its release came along").isEmpty();
        assertThat(locks.get("rules").toString()).contains("One try.");
        assertThat(docket(other).get("facts").toString()).contains("bench.noise");
        assertThat(docket(number).get("facts").toString()).doesNotContain("bench.noise");
        for (String told : List.of(number, other)) {
            assertThat(una.get(of(told) + "/custody").expect(200).json().toString())
                    .contains("another customer's");
        }
        una.post(of(other) + "/scans", Map.of("method", "structure", "device", second))
                .expect(201);
        una.await(of(other) + "/devices", d -> d.get(1).get("stage").asString().equals("selection"));
        assertThat(una.post(of(other) + "/devices/" + second + "/move", Map.of("to", number, "reason", "back"))
                        .expect(409)
                        .sentence())
                .contains("part of the catalogue of " + other);
        String single = new CaseForms().log(una);
        assertThat(una.post(of(single) + "/devices/" + device(single, 1) + "/move", move)
                        .expect(409)
                        .sentence())
                .contains("only device");
    }

    @Test
    void aCaseGoesOnWhenItsLastDeviceWithoutAPathGoesAway() {
        String other = new CaseForms().log(una);
        String given = disks().log(una);
        decide(given, device(given, 1), "image-then-scan").expect(200);
        decide(given, device(given, 2), "image-then-scan").expect(200);
        assertThat(docket(given).get("stage").asString()).isEqualTo("received");
        una.post(of(given) + "/devices/" + device(given, 3) + "/move", Map.of("to", other, "reason", "Theirs."))
                .expect(204);
        assertThat(docket(given).get("stage").asString()).isEqualTo("triaged");
        assertThat(docket(given).get("path").asString()).isEqualTo("image-then-scan");
    }

    @Test
    void aCaseGoesOnWhenTheIntakeTakesItsLastDeviceWithoutAPathOff() {
        CaseForms form = new CaseForms().another("hdd", "serial", "ST-9");
        String number = form.log(una);
        long first = device(number, 1);
        decide(number, first, "image-then-scan").expect(200);
        CaseForms without = new CaseForms()
                .device("id", first)
                .version(docket(number).get("version").asInt());
        una.put(of(number), without.build()).expect(200);
        assertThat(docket(number).get("devices")).hasSize(1);
        assertThat(docket(number).get("stage").asString()).isEqualTo("triaged");
    }
}
