package org.brantel.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.health.HealthFile;
import org.brantel.core.health.HealthReading;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Health readings of the device that is attached to a case. */
@RestController
@RequestMapping("/api/cases/{number}/health")
class HealthController {

    /** Read off another instrument; what is not known is left out. */
    record ByHand(
            @Nullable @Min(-40) @Max(150) Integer celsius,
            @Nullable @Min(0) Long powerOnHours,
            @Nullable @Min(0) Long reallocated,
            @Nullable @Min(0) Long pending,
            @Nullable @Min(0) Long uncorrectable,
            @Nullable @Min(0) Long linkErrors,
            @Nullable @Min(0) @Max(255) Integer percentUsed) {}

    private final Stations stations;
    private final HealthReadings readings;
    private final Staff staff;

    HealthController(Stations stations, HealthReadings readings, Staff staff) {
        this.stations = stations;
        this.readings = readings;
        this.staff = staff;
    }

    @GetMapping
    HealthReadings.Series series(@PathVariable String number, @RequestParam @Nullable Long device) {
        return stations.attachment(number, device)
                .map(a -> readings.series(a.id()))
                .orElse(new HealthReadings.Series(List.of(), null, ""));
    }

    @PostMapping
    HealthReadings.Series byHand(
            @PathVariable String number, @RequestParam @Nullable Long device, @Valid @RequestBody ByHand it) {
        HealthReading reading = HealthReading.byHand(
                it.celsius(),
                it.powerOnHours(),
                it.reallocated(),
                it.pending(),
                it.uncorrectable(),
                it.linkErrors(),
                it.percentUsed());
        if (reading.equals(HealthReading.byHand(null, null, null, null, null, null, null))) {
            throw Refusal.badInput("celsius", "Nothing was filled in; a reading has at least one number.");
        }
        return record(number, device, reading);
    }

    private static HealthFile.Kind kindOf(String word) {
        return Arrays.stream(HealthFile.Kind.values())
                .filter(k -> k.name().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> Refusal.badInput("kind", "'" + word + "' is not a kind of log; take ata or nvme."));
    }

    /** @param kind ata or nvme */
    @PostMapping(path = "/file", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    HealthReadings.Series file(
            @PathVariable String number,
            @RequestParam @Nullable Long device,
            @RequestParam String kind,
            @RequestBody byte[] bytes) {
        try {
            return record(number, device, HealthFile.parse(kindOf(kind), bytes));
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("file", Refusal.sentence(e));
        }
    }

    /** Asks the device itself, while nothing else does. */
    @PostMapping("/read")
    HealthReadings.Series read(@PathVariable String number, @RequestParam @Nullable Long device) throws IOException {
        return record(number, device, stations.askHealth(number, device));
    }

    private HealthReadings.Series record(String number, @Nullable Long device, HealthReading reading) {
        HealthReadings.Place place = stations.place(number, device);
        readings.record(place, reading, staff.current().name());
        return readings.series(place.attachmentId());
    }
}
