package org.brantel.server.photos;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.HashedFiles;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.brantel.server.workers.Chore;
import org.brantel.server.workers.Workers;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PhotoController {

    private static final int SMALL = 320;

    private final PhotoRecords photos;
    private final Cases cases;
    private final Staff staff;
    private final HashedFiles files;
    private final Happenings happenings;
    private final Workers workers;
    private final TransactionTemplate transaction;
    private final Clock clock;

    PhotoController(
            PhotoRecords photos,
            Cases cases,
            Staff staff,
            Settings settings,
            Happenings happenings,
            Workers workers,
            TransactionTemplate transaction,
            Clock clock) {
        this.photos = photos;
        this.cases = cases;
        this.staff = staff;
        this.files = new HashedFiles(settings.home().resolve("photos"), ".jpg");
        this.happenings = happenings;
        this.workers = workers;
        this.transaction = transaction;
        this.clock = clock;
    }

    @GetMapping("/api/cases/{number}/photos")
    List<Photo.View> all(@PathVariable String number) {
        return photos.findByCaseIdAndRemovedFalseOrderById(cases.id(number)).stream()
                .map(Photo::view)
                .toList();
    }

    /** The body is the picture itself. */
    @PostMapping("/api/cases/{number}/photos")
    @ResponseStatus(HttpStatus.CREATED)
    Photo.View add(
            @PathVariable String number,
            @RequestParam String what,
            @RequestParam(required = false) Long device,
            @RequestParam(defaultValue = "") String name,
            HttpServletRequest request)
            throws IOException {
        if (!what.matches("label|device|accessory")) {
            throw Refusal.badInput("what", "A photo shows a label, a device or an accessory.");
        }
        CaseViews.Docket docket = cases.docket(number);
        if (device != null && docket.said().devices().stream().noneMatch(d -> d.id() == device)) {
            throw Refusal.badInput("device", "This device does not belong to " + number + ".");
        }
        Pictures.Clean picture = clean(body(request));
        files.keep(picture.sha256(), picture.jpeg());
        String plainName = name.length() > 200 ? name.substring(0, 200) : name;
        String who = staff.current().name();
        // Nobody waits for a slow upload, or for a picture to be drawn, with a connection in hand.
        return Objects.requireNonNull(transaction.execute(t -> {
            Photo photo =
                    photos.save(new Photo(cases.id(number), device, what, plainName, picture, who, clock.instant()));
            happenings.tell(number, who, "added a photo of the " + what, "SHA-256 " + picture.sha256(), Topic.PHOTO);
            return photo.view();
        }));
    }

    /** Drawn anew by a worker. */
    private Pictures.Clean clean(byte[] given) throws IOException {
        try {
            return Pictures.Clean.of(workers.work(Pictures.class, "", given));
        } catch (Chore.Refused e) {
            throw Refusal.badInput("photo", e.sentence());
        } catch (Workers.Died e) {
            throw Refusal.badInput("photo", "The picture cannot be drawn: " + e.getMessage() + "; take it smaller.");
        }
    }

    private static byte[] body(HttpServletRequest request) throws IOException {
        try (InputStream in = request.getInputStream()) {
            byte[] bytes = in.readNBytes(Pictures.LARGEST_UPLOAD + 1);
            if (bytes.length > Pictures.LARGEST_UPLOAD) {
                throw Refusal.tooLarge("The photo is larger than 20 MiB; take it smaller.");
            }
            return bytes;
        }
    }

    @GetMapping("/api/photos/{id}")
    ResponseEntity<byte[]> show(@PathVariable long id, @RequestParam(defaultValue = "false") boolean small)
            throws IOException {
        byte[] jpeg = files.bytes(find(id).sha256());
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(small ? Pictures.small(jpeg, SMALL) : jpeg);
    }

    /** The picture stays in the lab's folder, for undoing this. */
    @Transactional
    @DeleteMapping("/api/photos/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long id) {
        change(id, true, "took a photo away");
    }

    @Transactional
    @PostMapping("/api/photos/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putBack(@PathVariable long id) {
        change(id, false, "put a photo back");
    }

    private void change(long id, boolean removed, String what) {
        Photo photo = find(id);
        photo.remove(removed);
        photos.save(photo);
        String number = cases.number(photo.caseId());
        happenings.tell(number, staff.current().name(), what, "SHA-256 " + photo.sha256(), Topic.PHOTO);
    }

    private Photo find(long id) {
        return photos.findById(id).orElseThrow(() -> Refusal.missing("There is no photo " + id + "."));
    }
}
