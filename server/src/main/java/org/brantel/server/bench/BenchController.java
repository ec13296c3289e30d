package org.brantel.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.firstlook.FirstLook;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.triage.ProfileAdvice;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.media.BoxDrives;
import org.brantel.server.media.Media;
import org.brantel.server.media.Medium;
import org.brantel.server.platform.Settings;
import org.brantel.server.protocol.Said;
import org.brantel.server.staff.Staff;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The stations of the bench, what stands at them, and which case it is attached to. */
@RestController
class BenchController {

    record Attach(
            @NotBlank(message = "Choose a medium.") String medium,
            @Nullable String decision,
            @Nullable String writeBlock) {}

    /**
     * A medium with where it stands.
     *
     * @param caseNumber that it is attached to
     * @param state      of the session that reads it
     */
    record Station(
            Medium medium,
            @Nullable String caseNumber,
            @Nullable WorkState state) {}

    /**
     * @param waiting decided cases whose device is to be attached, the longest wait first
     * @param silent  boxes that do not answer
     * @param inbox   where the lab places raw images
     */
    record BenchView(
            List<Station> stations,
            List<ImagingView> sessions,
            CaseViews.Page waiting,
            List<BoxDrives.Silent> silent,
            String inbox) {}

    /**
     * @param profiles from the least gentle to the gentlest
     * @param advice which of them is proposed, and why
     * @param earlier what was read already of the device that is attached
     */
    record CaseBench(
            Attachment.@Nullable View attachment,
            List<ImagingView> sessions,
            List<CareProfile> profiles,
            ProfileAdvice advice,
            EarlierReading.@Nullable Earlier earlier) {}

    /** @param measured the station measured it by itself */
    record Answer(
            @NotBlank(message = "An answer has no code.") String code,
            @NotBlank(message = "An answer has no value.") String value,
            boolean measured) {}

    record BenchCheck(
            @NotEmpty(message = "Nothing was filled in.") List<@Valid Answer> answers) {}

    private static final int MOST_WAITING = 60;

    private final Stations stations;
    private final CaseLists lists;
    private final ImagingRecords imaging;
    private final EarlierReading earlier;
    private final BoxDrives boxes;
    private final Media media;
    private final Cases cases;
    private final Staff staff;
    private final Settings settings;

    BenchController(
            Stations stations,
            CaseLists lists,
            ImagingRecords imaging,
            EarlierReading earlier,
            BoxDrives boxes,
            Media media,
            Cases cases,
            Staff staff,
            Settings settings) {
        this.stations = stations;
        this.lists = lists;
        this.imaging = imaging;
        this.earlier = earlier;
        this.boxes = boxes;
        this.media = media;
        this.cases = cases;
        this.staff = staff;
        this.settings = settings;
    }

    @GetMapping("/api/bench")
    BenchView all() throws IOException {
        List<ImagingView> sessions = imaging.unfinished();
        Map<String, String> attached = stations.attachedTo();
        List<Station> all = media.all().stream()
                .map(m -> {
                    String number = attached.get(m.key());
                    return new Station(
                            m,
                            number,
                            sessions.stream()
                                    .filter(s -> s.caseNumber().equals(number))
                                    .map(s -> s.standing().state())
                                    .findFirst()
                                    .orElse(null));
                })
                .toList();
        return new BenchView(
                all,
                sessions,
                lists.waitingForDevice(MOST_WAITING),
                boxes.silent(),
                settings.inbox().toAbsolutePath().normalize().toString());
    }

    @GetMapping("/api/cases/{number}/bench")
    CaseBench ofCase(@PathVariable String number) {
        return new CaseBench(
                stations.attachment(number).orElse(null),
                imaging.sessions(number),
                CareProfile.all(),
                stations.advice(number),
                stations.standing(cases.id(number))
                        .flatMap(earlier::of)
                        .map(EarlierReading.Earlier::of)
                        .orElse(null));
    }

    @GetMapping("/api/cases/{number}/bench/identity")
    IdentityCheck compare(@PathVariable String number, @RequestParam String medium) throws IOException {
        return stations.compare(number, medium);
    }

    /** What can be attached, the medium that fits the case best first. */
    @GetMapping("/api/cases/{number}/bench/media")
    List<Stations.Standing> media(@PathVariable String number) throws IOException {
        return stations.comparable(number);
    }

    @PostMapping("/api/cases/{number}/bench/attachment")
    @ResponseStatus(HttpStatus.CREATED)
    Attachment.View attach(@PathVariable String number, @Valid @RequestBody Attach attach) throws IOException {
        return stations.attach(
                number,
                attach.medium(),
                new Attachment.Decisions(attach.decision(), attach.writeBlock()),
                staff.current().name());
    }

    /** What the station can tell by itself. Nothing is recorded yet. */
    @PostMapping("/api/cases/{number}/bench-check/measure")
    List<FirstLook.Seen> measure(@PathVariable String number) throws IOException {
        return stations.firstLook(number);
    }

    /** Records the bench check: its answers are observed facts. */
    @PostMapping("/api/cases/{number}/bench-check")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void check(@PathVariable String number, @Valid @RequestBody BenchCheck check) {
        cases.observe(
                number,
                check.answers().stream()
                        .map(a -> new CaseForm.Fact(a.code(), a.value(), Said.OBSERVED))
                        .toList(),
                check.answers().stream()
                        .filter(Answer::measured)
                        .map(Answer::code)
                        .collect(Collectors.toSet()),
                staff.current().name());
    }

    @DeleteMapping("/api/cases/{number}/bench/attachment")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void detach(@PathVariable String number) {
        stations.detach(number, staff.current().name());
    }
}
