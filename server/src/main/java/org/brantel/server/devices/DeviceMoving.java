package org.brantel.server.devices;

import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.bench.Stations;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.GivenDevices;
import org.brantel.server.platform.Refusal;
import org.brantel.server.scan.Scans;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Gives devices from one case to another, as when they were logged together by mistake. */
@Service
class DeviceMoving {

    private final Cases cases;
    private final GivenDevices given;
    private final Stations stations;
    private final ImagingRecords imaging;
    private final Scans scans;

    DeviceMoving(Cases cases, GivenDevices given, Stations stations, ImagingRecords imaging, Scans scans) {
        this.cases = cases;
        this.given = given;
        this.stations = stations;
        this.imaging = imaging;
        this.scans = scans;
    }

    /**
     * @param to     number of the case that it comes to
     * @param reason why, in words
     * @throws Refusal while it stands attached or is read, and once its findings are part of a catalogue
     */
    @Transactional
    void move(String number, long id, String to, String reason, String who) {
        CaseViews.Device device = cases.docket(number).device(id);
        if (stations.isAttached(id)) {
            throw Refusal.conflict("It is attached, so " + device.which() + " stays; detach it at the bench first.");
        }
        boolean read = imaging.sessions(number).stream()
                .anyMatch(s -> s.device() == id && s.standing().state().isAtWork());
        if (read) {
            throw Refusal.conflict("It is being read, so " + device.which() + " stays; pause that session first.");
        }
        if (scans.sessions(number).stream().anyMatch(s -> s.of().device() == id)) {
            throw Refusal.conflict("Its findings are part of the catalogue of " + number + ", so " + device.which()
                    + " stays; scan it anew in the other case from a copy of its image, or deliver it from here.");
        }
        given.give(number, id, to, reason, who);
    }
}
