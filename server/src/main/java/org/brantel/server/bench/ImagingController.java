package org.brantel.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import org.brantel.core.image.MapFile;
import org.brantel.core.imaging.StopLimits;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Starts imaging sessions, steers them and says how they are. */
@RestController
class ImagingController {

    /**
     * @param device       of the case; absent for the only one that stands attached
     * @param limits       absent for the profile's own
     * @param mibPerSecond absent or 0 for no limit
     * @param files        why its files are copied instead of reading all of it; absent to read all
     * @param afresh       why the device is read from its beginning although an earlier session read it; absent to go
     *                     on from what is read
     */
    record Start(
            @Nullable Long device,
            @NotBlank(message = "Choose a care profile.") String profile,
            @Nullable StopLimits limits,
            @Nullable Long mibPerSecond,

            @Nullable @Size(max = 500, message = "The reason is longer than 500 characters.")
            String files,

            @Nullable @Size(max = 500, message = "The reason is longer than 500 characters.")
            String afresh) {}

    /**
     * @param limits absent for the profile's own
     * @param mibPerSecond absent or 0 for no limit
     */
    record Bounds(@Nullable StopLimits limits, @Nullable Long mibPerSecond) {}

    record Profile(
            @NotBlank(message = "Choose a care profile.") String profile) {}

    /** The newest first. */
    record Events(List<ImagingEvent.View> events, long faults) {}

    record Lens(String cells) {}

    private final Bench bench;
    private final ImagingRecords records;
    private final Steering steering;
    private final SessionReports reports;
    private final Staff staff;

    ImagingController(Bench bench, ImagingRecords records, Steering steering, SessionReports reports, Staff staff) {
        this.bench = bench;
        this.records = records;
        this.steering = steering;
        this.reports = reports;
        this.staff = staff;
    }

    /** The images of a case, newest first, and whether each is still where it was written. */
    @GetMapping("/api/cases/{number}/images")
    List<ImagingRecords.KeptImage> images(@PathVariable String number) {
        return records.kept(number);
    }

    @PostMapping("/api/cases/{number}/imaging")
    @ResponseStatus(HttpStatus.CREATED)
    ImagingView start(@PathVariable String number, @Valid @RequestBody Start start) {
        return bench.start(
                number,
                start.device(),
                new ImagingSession.Wanted(
                        start.profile(),
                        start.limits(),
                        Steering.bytesPerSecond(orNone(start.mibPerSecond())),
                        start.files() == null ? null : start.files().strip()),
                start.afresh(),
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

    /** A straight copy becomes an image of all. */
    @PostMapping("/api/imaging/{id}/whole")
    ImagingView readWhole(@PathVariable long id) {
        return bench.readWhole(id, staff.current().name());
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
        return records.events(id);
    }

    @PostMapping("/api/imaging/{id}/recheck")
    ImagingView recheck(@PathVariable long id) {
        return bench.recheck(id, staff.current().name());
    }

    @GetMapping("/api/imaging/{id}/map")
    ResponseEntity<MapFile> map(@PathVariable long id) throws IOException {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"session-" + id + ".map.json\"")
                .body(records.map(id));
    }

    @GetMapping("/api/imaging/{id}/report")
    SessionReports.Report report(@PathVariable long id) throws IOException {
        return reports.of(id);
    }

    @GetMapping("/api/imaging/{id}/lens")
    Lens lens(@PathVariable long id, @RequestParam long from, @RequestParam long length) throws IOException {
        return new Lens(records.magnified(id, from, length));
    }

    private static long orNone(@Nullable Long mibPerSecond) {
        return mibPerSecond == null ? 0 : mibPerSecond;
    }
}
