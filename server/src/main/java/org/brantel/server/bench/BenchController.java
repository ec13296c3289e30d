package org.brantel.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.firstlook.FirstLook;
import org.brantel.core.image.MapFile;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.StopLimits;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.triage.ProfileAdvice;
import org.brantel.server.intake.CaseForm;
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
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchController {

    record Attach(
            @NotBlank(message = "Choose a medium.") String medium,
            @Nullable String decision,
            @Nullable String writeBlock) {}

    /**
     * @param limits absent for the profile's own
     * @param mibPerSecond absent or 0 for no limit
     */
    record Start(
            @NotBlank(message = "Choose a care profile.") String profile,
            @Nullable StopLimits limits,
            @Nullable Long mibPerSecond) {}

    /**
     * @param limits absent for the profile's own
     * @param mibPerSecond absent or 0 for no limit
     */
    record Bounds(@Nullable StopLimits limits, @Nullable Long mibPerSecond) {}

    record Profile(
            @NotBlank(message = "Choose a care profile.") String profile) {}

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
     * @param inbox where the lab places raw images
     * @param silent boxes that do not answer
     */
    record BenchView(List<Station> stations, List<ImagingView> sessions, List<BoxDrives.Silent> silent, String inbox) {}

    /**
     * @param profiles from the least gentle to the gentlest
     * @param advice which of them is proposed, and why
     */
    record CaseBench(
            Attachment.@Nullable View attachment,
            List<ImagingView> sessions,
            List<CareProfile> profiles,
            ProfileAdvice advice) {}

    /** The newest first. */
    record Events(List<ImagingEvent.View> events, long faults) {}

    record Lens(String cells) {}

    /** @param measured the station measured it by itself */
    record Answer(
            @NotBlank(message = "An answer has no code.") String code,
            @NotBlank(message = "An answer has no value.") String value,
            boolean measured) {}

    record BenchCheck(
            @NotEmpty(message = "Nothing was filled in.") List<@Valid Answer> answers) {}

    private final Stations stations;
    private final Bench bench;
    private final Steering steering;
    private final SessionReports reports;
    private final BoxDrives boxes;
    private final Media media;
    private final Cases cases;
    private final Staff staff;
    private final Settings settings;

    BenchController(
            Stations stations,
            Bench bench,
            Steering steering,
            SessionReports reports,
            BoxDrives boxes,
            Media media,
            Cases cases,
            Staff staff,
            Settings settings) {
        this.stations = stations;
        this.bench = bench;
        this.steering = steering;
        this.reports = reports;
        this.boxes = boxes;
        this.media = media;
        this.cases = cases;
        this.staff = staff;
        this.settings = settings;
    }

    @GetMapping("/api/bench")
    BenchView all() throws IOException {
        List<ImagingView> sessions = bench.unfinished();
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
                boxes.silent(),
                settings.inbox().toAbsolutePath().normalize().toString());
    }

    @GetMapping("/api/cases/{number}/bench")
    CaseBench ofCase(@PathVariable String number) {
        return new CaseBench(
                stations.attachment(number).orElse(null),
                bench.sessions(number),
                CareProfile.all(),
                stations.advice(number));
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

    @PostMapping("/api/cases/{number}/imaging")
    @ResponseStatus(HttpStatus.CREATED)
    ImagingView start(@PathVariable String number, @Valid @RequestBody Start start) {
        return bench.start(
                number,
                new ImagingSession.Wanted(
                        start.profile(), start.limits(), Steering.bytesPerSecond(orNone(start.mibPerSecond()))),
                staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/pause")
    ImagingView pause(@PathVariable long id) {
        return bench.pause(id, staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/resume")
    ImagingView resume(@PathVariable long id) {
        return bench.resume(id, staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/rest")
    ImagingView rest(@PathVariable long id) {
        return steering.rest(id, staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/work")
    ImagingView work(@PathVariable long id) {
        return steering.work(id, staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/profile")
    ImagingView profile(@PathVariable long id, @Valid @RequestBody Profile profile) {
        return steering.profile(id, profile.profile(), staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/bounds")
    ImagingView bounds(@PathVariable long id, @RequestBody Bounds bounds) {
        return steering.bounds(
                id,
                bounds.limits(),
                orNone(bounds.mibPerSecond()),
                staff.current().name());
    }

    /** What is read is the image: a paused session takes itself up once more, for the hashes. */
    @PostMapping("/api/imaging/{id}/enough")
    ImagingView enough(@PathVariable long id) {
        return bench.enough(id, staff.current().name());
    }

    @GetMapping("/api/imaging/{id}/events")
    Events events(@PathVariable long id) {
        return bench.events(id);
    }

    @PostMapping("/api/imaging/{id}/recheck")
    ImagingView recheck(@PathVariable long id) {
        return bench.recheck(id, staff.current().name());
    }

    @GetMapping("/api/imaging/{id}/map")
    ResponseEntity<MapFile> map(@PathVariable long id) throws IOException {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"session-" + id + ".map.json\"")
                .body(bench.map(id));
    }

    @GetMapping("/api/imaging/{id}/report")
    SessionReports.Report report(@PathVariable long id) throws IOException {
        return reports.of(id);
    }

    @DeleteMapping("/api/cases/{number}/bench/attachment")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void detach(@PathVariable String number) {
        stations.detach(number, staff.current().name());
    }

    @GetMapping("/api/imaging/{id}/lens")
    Lens lens(@PathVariable long id, @RequestParam long from, @RequestParam long length) throws IOException {
        return new Lens(bench.magnified(id, from, length));
    }

    private static long orNone(@Nullable Long mibPerSecond) {
        return mibPerSecond == null ? 0 : mibPerSecond;
    }
}
