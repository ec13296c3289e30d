package org.brantel.server.devices;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.bench.Stations;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.locks.Locks;
import org.brantel.server.partner.Away;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.brantel.server.scan.ScanView;
import org.brantel.server.scan.Scans;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How far each device of a case is, from the records of its own steps. */
@Service
class DeviceStates {

    private final Cases cases;
    private final LabProtocol protocol;
    private final Locks locks;
    private final Stations stations;
    private final ImagingRecords imaging;
    private final Scans scans;
    private final Away away;

    DeviceStates(
            Cases cases,
            LabProtocol protocol,
            Locks locks,
            Stations stations,
            ImagingRecords imaging,
            Scans scans,
            Away away) {
        this.cases = cases;
        this.protocol = protocol;
        this.locks = locks;
        this.stations = stations;
        this.imaging = imaging;
        this.scans = scans;
        this.away = away;
    }

    /** In the order in which they were taken in. */
    @Transactional(readOnly = true)
    List<DeviceState> of(String number) {
        CaseViews.Docket docket = cases.docket(number);
        Triage triage = protocol.triage();
        Map<Long, List<String>> barred = locks.untouchable(docket);
        Map<Long, String> attached = stations.attachedMedia(number);
        Map<Long, String> with = away.of(number);
        Map<Long, ImagingView> read = new HashMap<>();
        imaging.sessions(number).forEach(s -> read.putIfAbsent(s.device(), s));
        Map<Long, ScanView> scanned = new HashMap<>();
        scans.sessions(number).stream()
                .filter(s -> s.of().elsewhere() == null)
                .forEach(s -> scanned.put(s.of().device(), s));
        return docket.said().devices().stream()
                .map(d -> {
                    List<CaseForm.Fact> facts = docket.stated(d);
                    return new DeviceState(
                            d.id(),
                            d.which(),
                            stage(docket.pathOf(d), read.get(d.id()), scanned.get(d.id())),
                            new DeviceState.Going(
                                    docket.pathOf(d),
                                    d.way().ownPath() != null,
                                    leads(triage.ranking(protocol.facts(facts))),
                                    (int) docket.said().facts().stream()
                                            .filter(f -> Objects.equals(f.device(), d.id()))
                                            .count()),
                            new DeviceState.Standing(
                                    attached.get(d.id()),
                                    with.get(d.id()),
                                    health(facts),
                                    barred.getOrDefault(d.id(), List.of()).stream()
                                            .findFirst()
                                            .orElse(null)),
                            read(read.get(d.id())),
                            found(scanned.get(d.id())));
                })
                .toList();
    }

    private static @Nullable RecoveryPath leads(List<Ranking.Ranked> ranking) {
        Ranking.Ranked first = ranking.get(0);
        return first.barred() || first.score() <= 0 ? null : first.path();
    }

    private static @Nullable String health(List<CaseForm.Fact> facts) {
        return facts.stream()
                .filter(f -> f.source() == Said.OBSERVED && f.code().equals("bench.health"))
                .map(CaseForm.Fact::value)
                .findFirst()
                .orElse(null);
    }

    private static Stage stage(@Nullable RecoveryPath path, @Nullable ImagingView read, @Nullable ScanView scanned) {
        if (path == RecoveryPath.DECLINE) {
            return Stage.DECLINED;
        }
        if (read == null) {
            return path == null ? Stage.RECEIVED : Stage.TRIAGED;
        }
        if (read.standing().state() != WorkState.DONE) {
            return Stage.IMAGING;
        }
        boolean ended = scanned != null
                && Set.of(WorkState.DONE, WorkState.STOPPED)
                        .contains(scanned.standing().state());
        return ended ? Stage.SELECTION : Stage.SCANNING;
    }

    private static DeviceState.@Nullable Read read(@Nullable ImagingView s) {
        return s == null
                ? null
                : new DeviceState.Read(
                        s.id(), s.standing().state(), s.share(), s.sum().failedBytes());
    }

    private static DeviceState.@Nullable Found found(@Nullable ScanView s) {
        return s == null
                ? null
                : new DeviceState.Found(
                        s.id(), s.standing().state(), s.brought().counts().findings());
    }
}
