package org.brantel.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.brantel.core.firstlook.FirstLook;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.triage.ProfileAdvice;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.protocol.Said;
import org.brantel.server.staff.Staff;
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

/** What stands at the bench for one case: attaching it, comparing it, checking it. */
@RestController
class CaseBenchController {

    record Attach(
            @Nullable Long device,
            @NotBlank(message = "Choose a medium.") String medium,
            @Nullable String decision,
            @Nullable String writeBlock) {}

    /**
     * @param device   that it is of
     * @param sessions  of this lab, newest first
     * @param elsewhere those that other labs did
     * @param profiles from the least gentle to the gentlest
     * @param advice which of them is proposed, and why
     * @param healthAwaited the device is still to say how it is, and what it says may change what is proposed
     * @param earlier what was read already of the device that is attached
     */
    record CaseBench(
            long device,
            Attachment.@Nullable View attachment,
            List<ImagingView> sessions,
            List<ImagingView> elsewhere,
            List<CareProfile> profiles,
            ProfileAdvice advice,
            boolean healthAwaited,
            EarlierReading.@Nullable Earlier earlier) {}

    /** @param measured the station measured it by itself */
    record Answer(
            @NotBlank(message = "An answer has no code.") String code,
            @NotBlank(message = "An answer has no value.") String value,
            boolean measured) {}

    record BenchCheck(
            @NotEmpty(message = "Nothing was filled in.") List<@Valid Answer> answers) {}

    private final Stations stations;
    private final Attaching attaching;
    private final ImagingRecords imaging;
    private final EarlierReading earlier;
    private final IdleHealth health;
    private final Cases cases;
    private final Staff staff;

    CaseBenchController(
            Stations stations,
            Attaching attaching,
            ImagingRecords imaging,
            EarlierReading earlier,
            IdleHealth health,
            Cases cases,
            Staff staff) {
        this.stations = stations;
        this.attaching = attaching;
        this.imaging = imaging;
        this.earlier = earlier;
        this.health = health;
        this.cases = cases;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/bench")
    CaseBench ofCase(@PathVariable String number, @RequestParam @Nullable Long device) {
        CaseViews.Docket docket = cases.docket(number);
        long of = docket.device(device).id();
        Optional<Attachment> standing = stations.standing(of);
        // Asked before what is proposed: once nothing is awaited, what the device said is there for the proposal.
        boolean awaited = standing.filter(health::isAwaited).isPresent();
        return new CaseBench(
                of,
                standing.map(Attachment::view).orElse(null),
                imaging.sessions(number).stream().filter(s -> s.device() == of).toList(),
                imaging.elsewhere(number).stream().filter(s -> s.device() == of).toList(),
                CareProfile.all(),
                stations.advice(number, of),
                awaited,
                standing.flatMap(earlier::of).map(EarlierReading.Earlier::of).orElse(null));
    }

    @GetMapping("/api/cases/{number}/bench/identity")
    IdentityCheck compare(@PathVariable String number, @RequestParam @Nullable Long device, @RequestParam String medium)
            throws IOException {
        return stations.compare(number, device, medium);
    }

    /** What can be attached, the medium that fits the case best first. */
    @GetMapping("/api/cases/{number}/bench/media")
    List<Stations.Standing> media(@PathVariable String number, @RequestParam @Nullable Long device) throws IOException {
        return stations.comparable(number, device);
    }

    @PostMapping("/api/cases/{number}/bench/attachment")
    @ResponseStatus(HttpStatus.CREATED)
    Attachment.View attach(@PathVariable String number, @Valid @RequestBody Attach attach) throws IOException {
        return attaching.attach(
                number,
                attach.device(),
                attach.medium(),
                new Attachment.Decisions(attach.decision(), attach.writeBlock()),
                staff.current().name());
    }

    /** What the station can tell by itself. Nothing is recorded yet. */
    @PostMapping("/api/cases/{number}/bench-check/measure")
    List<FirstLook.Seen> measure(@PathVariable String number, @RequestParam @Nullable Long device) throws IOException {
        return stations.firstLook(number, device);
    }

    /** Records the bench check: its answers are observed facts. */
    @PostMapping("/api/cases/{number}/bench-check")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void check(@PathVariable String number, @RequestParam @Nullable Long device, @Valid @RequestBody BenchCheck check) {
        cases.observe(
                number,
                cases.docket(number).device(device).id(),
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
    void detach(@PathVariable String number, @RequestParam @Nullable Long device) {
        stations.detach(number, device, staff.current().name());
    }
}
