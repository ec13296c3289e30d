package org.brantel.server.bench;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.image.Bookmark;
import org.brantel.core.image.MapFile;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.source.Expected;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.intake.Travelled;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Imaging sessions go along with the maps of their images; the images stay where they are. In their place, here, stands
 * an image of the same size of which nothing was read: so whatever asks for its bytes is told that they are not here.
 */
@Component
@Order(4)
class ImagingAlong implements GoesAlong {

    private static final int SECTOR = 512;

    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final Cases cases;
    private final Happenings happenings;
    private final Settings settings;

    ImagingAlong(
            ImagingSessions sessions, Attachments attachments, Cases cases, Happenings happenings, Settings settings) {
        this.sessions = sessions;
        this.attachments = attachments;
        this.cases = cases;
        this.happenings = happenings;
        this.settings = settings;
    }

    @Override
    public void pack(Leaving leaving) throws IOException {
        List<ImagingSession> all = sessions.findByCaseIdOrderById(cases.id(leaving.number())).stream()
                .filter(ImagingSession::hasRead)
                .toList();
        Map<String, String> maps = new HashMap<>();
        for (ImagingSession s : all) {
            Path journal = s.map();
            if (journal != null && Files.exists(journal) && !maps.containsKey(s.image())) {
                String name = "images/map-" + leaving.marks().of(Travelled.IMAGING, s.id()) + ".json";
                leaving.folder("images");
                MapFile.of(journal).write(leaving.data().resolve(name));
                maps.put(s.image(), name);
            }
        }
        for (ImagingSession s : all) {
            Long before = s.view(leaving.number()).kept().goesOnFrom();
            leaving.parts()
                    .imaging()
                    .add(s.along(
                            leaving,
                            attachments
                                    .findById(s.attachmentId())
                                    .orElseThrow()
                                    .view()
                                    .identity(),
                            before == null ? null : leaving.marks().of(Travelled.IMAGING, before),
                            maps.get(s.image())));
        }
    }

    @Override
    public void takeIn(Coming coming) throws IOException {
        for (CaseFile.Imaging it : coming.file().imaging()) {
            Optional<Long> known = coming.marks().here(Travelled.IMAGING, it.mark());
            if (known.isPresent()) {
                goOn(coming, it, known.get());
                continue;
            }
            checkProfile(it);
            long device = coming.marks().here(Travelled.DEVICE, it.device()).orElseThrow();
            Attachment there = new Attachment(
                    new Attachment.Of(coming.caseId(), device),
                    it.work().lab(),
                    new Expected(it.identity(), ""),
                    true,
                    new Attachment.Decisions(null, null),
                    it.work().who(),
                    it.work().startedAt());
            there.detach(Objects.requireNonNullElse(
                    it.work().endedAt(), coming.file().origin().packed()));
            String from = it.goesOnFrom();
            ImagingSession session = ImagingSession.readElsewhere(
                    coming.caseId(),
                    attachments.save(there),
                    it,
                    from == null
                            ? null
                            : coming.marks().here(Travelled.IMAGING, from).orElse(null));
            session.tell(it, coming.file().origin().packed());
            session.standsIn(standIn(coming, it).toString());
            coming.marks()
                    .came(Travelled.IMAGING, it.mark(), sessions.save(session).id());
        }
        happenings.changed(coming.number(), Topic.IMAGING, Topic.BENCH);
    }

    private static void checkProfile(CaseFile.Imaging it) {
        if (CareProfile.all().stream().noneMatch(p -> p.code().equals(it.how().profile()))) {
            throw Refusal.badInput(
                    null,
                    "A session was read with the care profile '" + it.how().profile()
                            + "', which this version does not know; the lab that packed the case may be newer.");
        }
    }

    /** Another lab's session may have read more since it came first; our own is what it is. */
    private void goOn(Coming coming, CaseFile.Imaging it, long id) throws IOException {
        ImagingSession session = sessions.findById(id)
                .filter(s -> s.caseId().equals(coming.caseId()))
                .orElseThrow(() -> Refusal.conflict(
                        "The file names a session of another case than " + coming.number() + "; it is damaged."));
        if (session.isElsewhere()) {
            session.tell(it, coming.file().origin().packed());
            session.standsIn(standIn(coming, it).toString());
        }
    }

    /** What stands in the place of an image that is elsewhere: as large, nothing read, and the map of there beside it. */
    private Path standIn(Coming coming, CaseFile.Imaging it) throws IOException {
        Path folder = Files.createDirectories(settings.images().resolve(coming.number()));
        Path image = folder.resolve("elsewhere-" + name(it) + ".img").toAbsolutePath();
        if (!Files.exists(image)) {
            try (RandomAccessFile file = new RandomAccessFile(image.toFile(), "rw")) {
                file.setLength(it.sum().size());
            }
            Files.deleteIfExists(MapJournal.beside(image));
            new MapFile(
                            MapFile.FORMAT,
                            MapJournal.VERSION,
                            it.sum().size(),
                            SECTOR,
                            it.identity(),
                            Bookmark.NONE,
                            List.of())
                    .writeJournal(MapJournal.beside(image));
        }
        String told = it.map();
        if (told != null) {
            MapFile map = MapFile.read(coming.data().resolve(told));
            if (map.size() != it.sum().size()) {
                throw Refusal.badInput(
                        null, "The map of the session " + it.mark() + " is of a device of another size.");
            }
            Path part = folder.resolve("elsewhere-" + name(it) + ".part");
            Files.deleteIfExists(part);
            map.writeJournal(part);
            Files.move(part, ImagingSession.told(image), StandardCopyOption.REPLACE_EXISTING);
        }
        return image;
    }

    /** Sessions that wrote one image have one map, and share what stands in its place. */
    private static String name(CaseFile.Imaging it) {
        String map = it.map();
        return map == null ? it.mark() : map.replaceAll("^.*/map-|\\.json$", "");
    }
}
