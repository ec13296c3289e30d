package org.brantel.server.intake;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.core.spoken.Capacity;
import org.brantel.core.spoken.Heard;
import org.brantel.core.spoken.WantedWords;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.platform.Refusal;
import org.brantel.server.protocol.LabProtocol;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is heard in the words of a caller, while they are typed. */
@RestController
@RequestMapping("/api/intake")
class HeardController {

    record Spoken(
            @NotNull
            @Size(
                    max = 20_000,
                    message = "The line is longer than 20,000 characters; facts are not picked out of it. Nothing "
                            + "of it is lost.")
            String text) {}

    /** @param words  as they stand in the line, {@code from} and {@code to} are their place there */
    record Fact(String code, String value, int from, int to, String words) {}

    record Wanted(CaseForm.Wanted line, int from, int to) {}

    /** What is not said is empty. */
    record Caller(String name, String phone, String email) {}

    /** A device that was named beside the one that the facts are of. */
    record Device(String type, String words, int from, int to) {}

    /**
     * @param capacity as it stands in the line
     * @param caller absent when nothing of them is said
     */
    record Found(
            List<Fact> facts,
            @Nullable String capacity,
            @Nullable Day deadline,
            List<Wanted> wanted,
            @Nullable Caller caller,
            List<Device> others,
            List<Heard.TakenBack> takenBack) {}

    record Day(String day, int from, int to, String words) {}

    /** @param bytes 0 for an empty text */
    record Bytes(long bytes) {}

    private final LabProtocol protocol;
    private final CaseClock clock;

    HeardController(LabProtocol protocol, CaseClock clock) {
        this.protocol = protocol;
        this.clock = clock;
    }

    @PostMapping("/heard")
    Found heard(@Valid @RequestBody Spoken line) {
        Heard h = protocol.freeLine().read(line.text(), clock.today());
        return new Found(
                h.facts().stream()
                        .map(f -> new Fact(f.code(), f.value(), f.from(), f.to(), f.words()))
                        .toList(),
                h.capacity() == null ? null : h.capacity().words(),
                h.deadline() == null
                        ? null
                        : new Day(
                                h.deadline().day().toString(),
                                h.deadline().from(),
                                h.deadline().to(),
                                h.deadline().words()),
                h.wanted().stream()
                        .map(w -> new Wanted(form(w.line()), w.from(), w.to()))
                        .toList(),
                h.caller().isKnown()
                        ? new Caller(
                                h.caller().name(),
                                h.caller().phone(),
                                h.caller().email())
                        : null,
                h.others().stream()
                        .map(d -> new Device(d.type(), d.words(), d.from(), d.to()))
                        .toList(),
                h.takenBack());
    }

    /** A wanted line, read out of the customer's words as far as they say what can be checked. */
    @PostMapping("/wanted")
    CaseForm.Wanted wanted(@Valid @RequestBody Spoken line) {
        return WantedWords.read(line.text(), clock.today())
                .map(HeardController::form)
                .orElseThrow(() -> Refusal.badInput("wanted", "A wanted line has no words."));
    }

    private static CaseForm.Wanted form(WantedLine w) {
        return new CaseForm.Wanted(
                w.words(),
                w.kinds(),
                w.pattern(),
                w.hopedFor(),
                w.minBytes(),
                w.days().from(),
                w.days().to(),
                w.days().yearAssumed(),
                w.mustHave());
    }

    /** How many bytes a capacity is. */
    @GetMapping("/capacity")
    Bytes capacity(@RequestParam String text) {
        try {
            return new Bytes(Capacity.parse(text));
        } catch (Capacity.NotACapacity e) {
            throw Refusal.badInput("device.capacity", Refusal.sentence(e));
        }
    }
}
