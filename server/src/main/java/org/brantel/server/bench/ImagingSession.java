package org.brantel.server.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.copying.StraightCopy;
import org.brantel.core.estimate.Measured;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.LimitReached;
import org.brantel.core.imaging.Pass;
import org.brantel.core.imaging.StopLimits;
import org.brantel.core.imaging.Unsound;
import org.brantel.core.json.Json;
import org.brantel.core.source.Identity;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.intake.Travelled;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkRecord;
import org.brantel.server.work.WorkState;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** One run of reading a medium into an image. The job writes progress, people write {@code asked}. */
@Entity
@Table(name = "imaging_session")
@DynamicUpdate
class ImagingSession extends WorkRecord {

    /** Numbers of a running session. */
    record Progress(
            long readBytes,
            long failedBytes,
            long deferredBytes,
            int failedPlaces,
            String pass,
            long head,
            double rate,
            String cells,
            String rates,
            long faults,
            List<PassWork> passes) {}

    /**
     * Which device a session read.
     *
     * @param elsewhere the lab that did it; null for our own
     */
    record Read(Long id, Long deviceId, @Nullable String elsewhere) {}

    /** What one pass came to so far. */
    record PassWork(String pass, long requests, long readBytes, long faults, long millis) {}

    @Column(updatable = false)
    private Long deviceId;

    private Long attachmentId;

    @Column(updatable = false)
    private @Nullable Long goesOnFrom;

    private String profile;
    private @Nullable String limits;
    private long rateLimit;
    private boolean restAsked;
    private @Nullable Instant awakeUntil;
    private @Nullable String resting;
    private @Nullable Instant restingSince;
    private @Nullable String reached;
    private long faults;
    private @Nullable Instant vanishedAt;
    private boolean endedEarly;
    private @Nullable String filesReason;
    private @Nullable Long filesCount;
    private @Nullable Long filesInAll;
    private @Nullable Long filesChecked;
    private String filesLeftOut;
    private @Nullable String unsound;
    private String passWork;
    private @Nullable String recheck;

    @Column(updatable = false)
    private @Nullable String elsewhere;

    private String image;
    private long size;
    private long readBytes;
    private long failedBytes;
    private long deferredBytes;
    private int failedPlaces;
    private String pass;
    private long head;
    private double rate;
    private String cells;
    private String rates;
    private long hashedBytes;
    private @Nullable String sha256;
    private long runningMillis;

    protected ImagingSession() {}

    /** @param wanted how it is to be read */
    ImagingSession(Long caseId, Attachment attachment, Wanted wanted, long size, String who, Instant startedAt) {
        super(caseId, who, startedAt);
        this.deviceId = attachment.deviceId();
        this.attachmentId = attachment.id();
        this.profile = wanted.profile();
        this.limits = wanted.limits() == null ? null : Json.write(wanted.limits());
        this.rateLimit = wanted.bytesPerSecond();
        this.filesReason = wanted.filesOnly();
        this.filesLeftOut = "[]";
        this.passWork = "[]";
        this.size = size;
        this.image = "";
        this.pass = (wanted.filesOnly() == null ? Pass.SWEEP : Pass.FILES).word();
        this.cells = "";
        this.rates = "";
    }

    /** Goes on in the image of an earlier session of the same device, from its map. */
    ImagingSession goingOnFrom(ImagingSession earlier) {
        goesOnFrom = earlier.id();
        image = earlier.image;
        progress(new Progress(
                earlier.readBytes,
                earlier.failedBytes,
                earlier.deferredBytes,
                earlier.failedPlaces,
                pass,
                0,
                0,
                earlier.cells,
                earlier.rates,
                0,
                List.of()));
        return this;
    }

    /**
     * One that another lab did.
     *
     * @param attachment as the device stood there
     * @param from       the session in whose image it went on
     */
    static ImagingSession readElsewhere(Long caseId, Attachment attachment, CaseFile.Imaging it, @Nullable Long from) {
        ImagingSession session = new ImagingSession(
                caseId,
                attachment,
                new Wanted(it.how().profile(), null, 0, it.how().filesAlone()),
                it.sum().size(),
                it.work().who(),
                it.work().startedAt());
        session.elsewhere = it.work().lab();
        session.goesOnFrom = from;
        return session;
    }

    /** @param packed when the other lab said so */
    void tell(CaseFile.Imaging it, Instant packed) {
        CaseFile.Sum sum = it.sum();
        progress(new Progress(
                sum.readBytes(),
                sum.failedBytes(),
                sum.deferredBytes(),
                sum.failedPlaces(),
                pass,
                0,
                0,
                it.how().cells(),
                "",
                sum.faults(),
                List.of()));
        Instant ended = it.work().endedAt();
        if (ended == null) {
            stop(packed);
        } else {
            finish(ended);
            hashedBytes = size;
        }
        endedEarly = it.how().endedEarly();
        sha256 = it.how().sha256();
        runningMillis = it.how().runningMillis();
    }

    /** @param file that stands in the place of its image */
    void standsIn(String file) {
        image = file;
    }

    /** Whether its image is in another lab. */
    boolean isElsewhere() {
        return elsewhere != null;
    }

    /** Where the map of an image that is elsewhere lies, as that lab told it. */
    static Path told(Path image) {
        return image.resolveSibling(image.getFileName() + ".told.map");
    }

    /** What says what it read; null before it began. */
    @Nullable
    Path map() {
        if (image.isEmpty()) {
            return null;
        }
        return isElsewhere() ? told(Path.of(image)) : MapJournal.beside(Path.of(image));
    }

    /**
     * As it goes to another lab.
     *
     * @param from mark of the session in whose image it went on
     * @param map  file of the bag
     */
    CaseFile.Imaging along(GoesAlong.Leaving leaving, Identity identity, @Nullable String from, @Nullable String map) {
        boolean ended = state() == WorkState.DONE;
        return new CaseFile.Imaging(
                leaving.marks().of(Travelled.IMAGING, id()),
                leaving.marks().of(Travelled.DEVICE, deviceId),
                new CaseFile.Work(
                        elsewhere == null ? leaving.lab().name() : elsewhere,
                        leaving.person(who()),
                        startedAt(),
                        ended ? endedAt() : null),
                identity,
                new CaseFile.Sum(size, readBytes, failedBytes, deferredBytes, failedPlaces, faults),
                new CaseFile.How(profile, runningMillis, sha256, endedEarly, cells, filesReason),
                from,
                map);
    }

    /** The same device stands somewhere else now. */
    void readAt(Attachment attachment) {
        attachmentId = attachment.id();
    }

    void runInto(Path file) {
        run();
        image = file.toString();
    }

    @Override
    public void waitAgain() {
        super.waitAgain();
        reached = null;
        vanishedAt = null;
        restAsked = false;
        unsound = null;
    }

    /** Whether it copies files instead of reading all. */
    boolean isOfFiles() {
        return filesReason != null;
    }

    /** From now on it reads all of the device, from its map. */
    void readWhole() {
        filesReason = null;
    }

    /** @param inAll bytes of the device that will have been read at its end */
    void copies(StraightCopy.Sum sum, long inAll) {
        filesCount = sum.files();
        filesInAll = inAll;
        filesLeftOut = Json.write(sum.leftOut());
    }

    /** @param files that it has come by since all are read */
    void checked(long files) {
        pass = "check";
        rate = 0;
        filesChecked = files;
    }

    /** What it copies files from is not sound; somebody has to say how it is read then. */
    void stopAt(Unsound why) {
        pause("It stopped by itself: " + why.getMessage());
        unsound = why.getMessage();
    }

    void askRest() {
        restAsked = true;
    }

    /** @param quietUntil when the quiet hours end that hold now, and do not hold for it; null when none do */
    void work(@Nullable Instant quietUntil) {
        restAsked = false;
        awakeUntil = quietUntil;
    }

    void rests(@Nullable String why, @Nullable Instant since) {
        resting = why;
        restingSince = since;
    }

    /** @param words what it says so far */
    void rechecked(String words) {
        recheck = words;
    }

    void profile(String code) {
        profile = code;
    }

    /** @param wanted null for the profile's own */
    void limits(@Nullable StopLimits wanted) {
        limits = wanted == null ? null : Json.write(wanted);
    }

    void rateLimit(long bytesPerSecond) {
        rateLimit = bytesPerSecond;
    }

    /** It ended at a stop limit, and waits for a decision. */
    void stopAt(LimitReached limit) {
        pause("It stopped by itself: " + limit.words() + ".");
        reached = Json.write(limit);
    }

    /**
     * The device went away.
     * @param at when; reading goes on once it is back as the one that it was. Null when somebody
     * has to say so
     */
    void vanish(@Nullable String why, @Nullable Instant at) {
        pause(why);
        vanishedAt = at;
    }

    SessionOrders.Wish wish() {
        return new SessionOrders.Wish(
                asked(), restAsked, awakeUntil, profile, read(limits, StopLimits.class), rateLimit);
    }

    private static <T> @Nullable T read(@Nullable String json, Class<T> type) {
        try {
            return json == null ? null : Json.read(json, type, "record", "imaging session");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    void progress(Progress p) {
        readBytes = p.readBytes();
        failedBytes = p.failedBytes();
        deferredBytes = p.deferredBytes();
        failedPlaces = p.failedPlaces();
        pass = p.pass();
        head = p.head();
        rate = p.rate();
        cells = p.cells();
        rates = p.rates();
        faults = p.faults();
        passWork = Json.write(p.passes());
    }

    /** What its passes came to in earlier runs. */
    List<PassWork> passes() {
        return List.of(read(passWork, PassWork[].class));
    }

    long faults() {
        return faults;
    }

    void hashing(long bytes) {
        pass = "hashing";
        hashedBytes = bytes;
    }

    void ranFor(long millis) {
        runningMillis += millis;
    }

    @Override
    protected void pause(@Nullable String why) {
        super.pause(why);
        rate = 0;
        resting = null;
        restingSince = null;
    }

    @Override
    protected void fail(String why, Instant at) {
        super.fail(why, at);
        rate = 0;
        resting = null;
    }

    void finish(@Nullable String hash, Instant at) {
        endedEarly = asked() == Ask.ENOUGH;
        finish(at);
        resting = null;
        rate = 0;
        sha256 = hash;
        hashedBytes = size;
    }

    boolean hasRead() {
        return readBytes > 0;
    }

    @Nullable
    Instant vanishedAt() {
        return vanishedAt;
    }

    Long deviceId() {
        return deviceId;
    }

    Long attachmentId() {
        return attachmentId;
    }

    String profile() {
        return profile;
    }

    String image() {
        return image;
    }

    /** @param medium the type of the case's device */
    Measured measured(String medium) {
        long read = goesOnFrom == null
                ? readBytes
                : passes().stream().mapToLong(PassWork::readBytes).sum();
        return new Measured(Measured.Work.IMAGING, medium, failedPlaces == 0, read, runningMillis / 1000.0);
    }

    /**
     * How a session is to be read.
     *
     * @param limits    null for the profile's own
     * @param filesOnly why its files are copied, and not all of it read; null to read all
     */
    record Wanted(
            String profile,
            @Nullable StopLimits limits,
            long bytesPerSecond,
            @Nullable String filesOnly) {

        /** All of it. */
        static Wanted whole(String profile) {
            return new Wanted(profile, null, 0, null);
        }
    }

    private ImagingView.@Nullable Files files() {
        return filesReason == null
                ? null
                : new ImagingView.Files(
                        filesReason,
                        filesCount,
                        filesInAll,
                        filesChecked,
                        List.of(Objects.requireNonNull(read(filesLeftOut, String[].class))),
                        unsound);
    }

    ImagingView view(String caseNumber) {
        StopLimits own = read(limits, StopLimits.class);
        LimitReached limit = read(reached, LimitReached.class);
        return new ImagingView(
                id(),
                caseNumber,
                deviceId,
                attachmentId,
                standing(),
                new ImagingView.Sum(size, readBytes, failedBytes, deferredBytes, failedPlaces, faults),
                new ImagingView.Course(pass, head, rate, cells, rates, runningMillis, passes()),
                new ImagingView.Care(
                        profile,
                        own == null ? CareProfile.ofWord(profile).limits() : own,
                        rateLimit,
                        limit == null ? null : limit.limit().word(),
                        vanishedAt,
                        resting,
                        restingSince,
                        restAsked),
                new ImagingView.Kept(
                        image.isEmpty() ? "" : Path.of(image).getFileName().toString(),
                        goesOnFrom,
                        hashedBytes,
                        sha256,
                        endedEarly,
                        recheck,
                        elsewhere),
                files());
    }
}
