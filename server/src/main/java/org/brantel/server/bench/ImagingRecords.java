package org.brantel.server.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.bytes.Range;
import org.brantel.core.estimate.Measured;
import org.brantel.core.image.MapFile;
import org.brantel.core.image.MapJournal;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.work.WorkState;
import org.brantel.server.work.WorkTime;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was imaged: the sessions of cases, their images and what they read. */
@Service
public class ImagingRecords {

    /**
     * An image that a case has.
     *
     * @param device  of the case that it is of
     * @param filling a session is writing it just now
     * @param ofFiles it holds files that were copied, and nothing else
     */
    public record Image(
            long device,
            long imagingId,
            Path file,
            long size,
            long readBytes,
            @Nullable String sha256,
            boolean filling,
            boolean ofFiles) {}

    private final ImagingSessions sessions;
    private final ImagingEvents log;
    private final Cases cases;
    private final CaseLists lists;

    ImagingRecords(ImagingSessions sessions, ImagingEvents log, Cases cases, CaseLists lists) {
        this.sessions = sessions;
        this.log = log;
        this.cases = cases;
        this.lists = lists;
    }

    /** The map of a session's image, to be taken elsewhere. */
    @Transactional(readOnly = true)
    MapFile map(long id) throws IOException {
        Path map = find(id).map();
        if (map == null || !Files.exists(map)) {
            throw Refusal.missing("Nothing was read in this session yet, so it has no map.");
        }
        return MapFile.of(map);
    }

    @Transactional(readOnly = true)
    ImagingController.Events events(long id) {
        find(id);
        return new ImagingController.Events(
                log.findTop400BySessionIdOrderByIdDesc(id).stream()
                        .map(ImagingEvent::view)
                        .toList(),
                log.countFaults(id));
    }

    /**
     * An image of a case.
     *
     * @param sessions that wrote it, newest first
     * @param file     where it was written
     * @param there    whether it still stands there
     */
    record KeptImage(List<Long> sessions, String file, boolean there) {}

    /** Every image that was begun for a case, newest first, and whether it is still there. */
    @Transactional(readOnly = true)
    List<KeptImage> kept(String number) {
        Map<String, List<Long>> byFile = new LinkedHashMap<>();
        sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(s -> !s.image().isEmpty() && s.hasRead() && !s.isElsewhere())
                .forEach(s -> byFile.computeIfAbsent(s.image(), file -> new ArrayList<>())
                        .add(s.id()));
        return byFile.entrySet().stream()
                .map(e -> new KeptImage(e.getValue(), e.getKey(), Files.exists(Path.of(e.getKey()))))
                .toList();
    }

    /** This lab's own, newest first. */
    @Transactional(readOnly = true)
    public List<ImagingView> sessions(String number) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(s -> !s.isElsewhere())
                .map(s -> s.view(number))
                .toList();
    }

    /** Those that other labs did, newest first; their images are there. */
    @Transactional(readOnly = true)
    public List<ImagingView> elsewhere(String number) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(ImagingSession::isElsewhere)
                .map(s -> s.view(number))
                .toList();
    }

    /** The newest session of each device of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, List<ImagingView>> newest(Map<Long, String> cases) {
        return sessions.findNewest(cases.keySet()).stream()
                .map(s -> s.view(Known.in(cases, s.caseId())))
                .collect(Collectors.groupingBy(ImagingView::caseNumber));
    }

    /** Sessions of this lab that ended, newest first; for estimating others. */
    @Transactional(readOnly = true)
    public List<Measured> measured() {
        List<ImagingSession> done = sessions.findTop400ByStateAndElsewhereIsNullOrderByIdDesc(WorkState.DONE);
        Map<Long, String> media =
                lists.types(done.stream().map(ImagingSession::deviceId).toList());
        // Files are read wherever they lie; that says nothing of how long all takes.
        return done.stream()
                .filter(s -> !s.isOfFiles())
                .map(s -> s.measured(Known.in(media, s.deviceId())))
                .toList();
    }

    /** Seconds that reading took, by case; straight copies, of which nothing is foretold, are not among them. */
    @Transactional(readOnly = true)
    public List<WorkTime> times(Collection<Long> caseIds) {
        return sessions.findTimes(caseIds);
    }

    /** Sessions of all cases that are waiting, running, paused or failed. */
    @Transactional(readOnly = true)
    public List<ImagingView> unfinished() {
        return sessions.findByStateInOrderById(EnumSet.complementOf(EnumSet.of(WorkState.DONE))).stream()
                .map(s -> s.view(cases.number(s.caseId())))
                .toList();
    }

    /**
     * The newest image of a device that is not being written just now.
     *
     * @param device null for any device of the case
     * @throws Refusal when there is none
     */
    @Transactional(readOnly = true)
    public Image image(String number, @Nullable Long device) {
        List<Image> images = images(number, device);
        return images.stream()
                .filter(i -> !i.filling())
                .findFirst()
                .orElseThrow(() -> images.isEmpty()
                        ? none(number)
                        : Refusal.conflict("The image of " + number
                                + " is still being written; until it is done only its records can be scanned."));
    }

    /**
     * The newest image of a device, also while it is being written.
     *
     * @param device null for any device of the case
     * @throws Refusal when there is none
     */
    @Transactional(readOnly = true)
    public Image imageAsItComes(String number, @Nullable Long device) {
        return images(number, device).stream()
                .filter(i -> i.readBytes() > 0)
                .findFirst()
                .orElseThrow(() -> none(number));
    }

    private List<Image> images(String number, @Nullable Long device) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(s -> !s.image().isEmpty() && !s.isElsewhere())
                .filter(s -> device == null || s.deviceId().equals(device))
                .map(s -> image(s, number))
                .toList();
    }

    private static Refusal none(String number) {
        return Refusal.conflict("There is no image of " + number + " yet; image its device first.");
    }

    /** The device that a session read. */
    @Transactional(readOnly = true)
    public long device(long imagingId) {
        return find(imagingId).deviceId();
    }

    /** Whether a session read a device of this case. */
    @Transactional(readOnly = true)
    public boolean isOf(long imagingId, long caseId) {
        return find(imagingId).caseId() == caseId;
    }

    /** The devices that these sessions read, by session. */
    @Transactional(readOnly = true)
    public Map<Long, Long> of(Collection<Long> imagingIds) {
        return sessions.findRead(Set.copyOf(imagingIds)).stream()
                .collect(Collectors.toMap(ImagingSession.Read::id, ImagingSession.Read::deviceId));
    }

    /** Of these sessions those that other labs did, with the lab that has the image. */
    @Transactional(readOnly = true)
    public Map<Long, String> labs(Collection<Long> imagingIds) {
        Map<Long, String> labs = new HashMap<>();
        sessions.findRead(Set.copyOf(imagingIds)).forEach(r -> {
            if (r.elsewhere() != null) {
                labs.put(r.id(), r.elsewhere());
            }
        });
        return labs;
    }

    /** Whether a session is writing this image just now, or will. */
    @Transactional(readOnly = true)
    public boolean isFilling(long imagingId) {
        return isFilling(find(imagingId));
    }

    @Transactional(readOnly = true)
    public Image image(long imagingId) {
        ImagingSession session = find(imagingId);
        return image(session, cases.number(session.caseId()));
    }

    /** Sessions that go on from another one share its image. */
    private boolean isFilling(ImagingSession session) {
        return sessions.existsByImageAndStateIn(session.image(), WorkState.AT_WORK);
    }

    private Image image(ImagingSession session, String number) {
        ImagingView v = session.view(number);
        return new Image(
                v.device(),
                v.id(),
                Path.of(session.image()),
                v.sum().size(),
                v.sum().readBytes(),
                v.kept().sha256(),
                isFilling(session),
                session.isOfFiles());
    }

    /** A stretch of the ribbon, magnified. */
    String magnified(long id, long from, long length) throws IOException {
        ImagingSession session = find(id);
        Path map = session.map();
        if (map == null || !Files.exists(map)) {
            return "";
        }
        var loaded = MapJournal.load(map).map();
        if (from < 0 || length <= 0 || from > loaded.size() - 1) {
            throw Refusal.badInput("from", "The stretch lies outside the device.");
        }
        return RibbonCells.of(loaded, new Range(from, Math.min(length, loaded.size() - from)), 200);
    }

    private ImagingSession find(long id) {
        return sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no imaging session " + id + "."));
    }
}
