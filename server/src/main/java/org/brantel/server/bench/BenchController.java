package org.brantel.server.bench;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.io.IOException;
import java.util.List;
import org.brantel.core.source.IdentityCheck;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchController {

    record Attach(@NotBlank(message = "Choose a medium.") String medium, @Nullable String decision) { }

    record Start(@NotBlank(message = "Choose a care profile.") String profile) { }

    /** @param inbox where the lab places raw images */
    record BenchView(List<Media.Medium> media, List<ImagingView> sessions, String inbox) { }

    record CaseBench(@Nullable Attachment.View attachment, List<ImagingView> sessions) { }

    record Lens(String cells) { }

    private final Bench bench;
    private final Media media;
    private final Staff staff;
    private final Settings settings;

    BenchController(Bench bench, Media media, Staff staff, Settings settings) {
        this.bench = bench;
        this.media = media;
        this.staff = staff;
        this.settings = settings;
    }

    @GetMapping("/api/bench")
    BenchView all() throws IOException {
        return new BenchView(media.all(), bench.unfinished(), settings.inbox().toAbsolutePath().normalize().toString());
    }

    @GetMapping("/api/cases/{number}/bench")
    CaseBench ofCase(@PathVariable String number) {
        return new CaseBench(bench.attachment(number).orElse(null), bench.sessions(number));
    }

    @GetMapping("/api/cases/{number}/bench/identity")
    IdentityCheck compare(@PathVariable String number, @RequestParam String medium) throws IOException {
        return bench.compare(number, medium);
    }

    @PostMapping("/api/cases/{number}/bench/attachment")
    @ResponseStatus(HttpStatus.CREATED)
    Attachment.View attach(@PathVariable String number, @Valid @RequestBody Attach attach) throws IOException {
        return bench.attach(number, attach.medium(), attach.decision(), staff.current().name());
    }

    @PostMapping("/api/cases/{number}/imaging")
    @ResponseStatus(HttpStatus.CREATED)
    ImagingView start(@PathVariable String number, @Valid @RequestBody Start start) {
        return bench.start(number, start.profile(), staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/pause")
    ImagingView pause(@PathVariable long id) {
        return bench.pause(id, staff.current().name());
    }

    @PostMapping("/api/imaging/{id}/resume")
    ImagingView resume(@PathVariable long id) {
        return bench.resume(id, staff.current().name());
    }

    @GetMapping("/api/imaging/{id}/lens")
    Lens lens(@PathVariable long id, @RequestParam long from, @RequestParam long length) throws IOException {
        return new Lens(bench.magnified(id, from, length));
    }
}
