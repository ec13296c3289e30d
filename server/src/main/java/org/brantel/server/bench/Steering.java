package org.brantel.server.bench;

import java.time.Clock;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Objects;
import java.util.Optional;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.StopLimits;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes a session while it lasts: rests it, makes it gentler, bounds it, or says that enough was read. */
@Service
class Steering {

    private static final long MOST_MIB = 100_000;

    private final ImagingSessions sessions;
    private final Cases cases;
    private final Locks locks;
    private final Happenings happenings;
    private final ImagingEvents log;
    private final LabRate lab;
    private final Settings settings;
    private final Clock clock;

    Steering(
            ImagingSessions sessions,
            Cases cases,
            Locks locks,
            Happenings happenings,
            ImagingEvents log,
            LabRate lab,
            Settings settings,
            Clock clock) {
        this.sessions = sessions;
        this.cases = cases;
        this.locks = locks;
        this.happenings = happenings;
        this.log = log;
        this.lab = lab;
        this.settings = settings;
        this.clock = clock;
    }

    /** The device stays attached and is left alone. */
    @Transactional
    public ImagingView rest(long id, String who) {
        ImagingSession session = atWork(id);
        session.askRest();
        return told(session, who, "asked imaging to rest", "");
    }

    /** Ends a rest; quiet hours do not hold for it until they are over. */
    @Transactional
    public ImagingView work(long id, String who) {
        ImagingSession session = atWork(id);
        locks.touch(cases.number(session.caseId()), session.deviceId());
        ZonedDateTime now = clock.instant().atZone(settings.zone());
        Optional<Instant> quiet = lab.rules()
                .quiet()
                .until(now.toLocalDateTime())
                .map(end -> end.atZone(now.getZone()).toInstant());
        ImagingView view = session.view("");
        if (view.care().resting() != null && !view.care().restAsked() && quiet.isEmpty()) {
            throw Refusal.conflict(
                    "It rests because the device is too warm, and reads on when it is 5 degrees cooler; raise "
                            + "its temperature limit if it is to read on now.");
        }
        session.work(quiet.orElse(null));
        return told(
                session,
                who,
                "sent imaging back to work",
                Objects.requireNonNullElse(view.care().resting(), ""));
    }

    /** From the next request on. */
    @Transactional
    public ImagingView profile(long id, String code, String who) {
        ImagingSession session = unfinished(id);
        checked(code);
        String before = session.profile();
        session.profile(code);
        log.save(new ImagingEvent(
                id, clock.instant(), ImagingEvent.Kind.PROFILE, "profile " + code + ", " + before + " before"));
        return told(session, who, "changed the care profile", before + " to " + code);
    }

    /**
     * @param limits null for the profile's own
     * @param mibPerSecond 0 for no limit
     */
    @Transactional
    public ImagingView bounds(long id, @Nullable StopLimits limits, long mibPerSecond, String who) {
        ImagingSession session = unfinished(id);
        session.limits(limits);
        session.rateLimit(bytesPerSecond(mibPerSecond));
        StopLimits now = session.view("").care().limits();
        return told(
                session,
                who,
                "set the limits of imaging",
                now.faultsInRow() + " faults in a row, " + now.faultsInAll() + " in all, " + now.celsius()
                        + " degrees, growth of " + now.growth() + ", " + now.minutes() + " minutes, " + mibPerSecond
                        + " MiB/s; 0 is none");
    }

    /** What is read is hashed, and that is the image. */
    @Transactional
    public ImagingView enough(long id, String who) {
        ImagingSession session = unfinished(id);
        session.ask(Ask.ENOUGH);
        ImagingView.Sum sum = session.view("").sum();
        return told(session, who, "ended imaging early", sum.readBytes() + " of " + sum.size() + " bytes are read");
    }

    static void checked(String profile) {
        try {
            CareProfile.ofWord(profile);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("profile", Refusal.sentence(e));
        }
    }

    static long bytesPerSecond(long mibPerSecond) {
        if (mibPerSecond < 0 || mibPerSecond > MOST_MIB) {
            throw Refusal.badInput("mibPerSecond", "A rate is 0 for no limit, or up to 100,000 MiB a second.");
        }
        return mibPerSecond << 20;
    }

    private ImagingView told(ImagingSession session, String who, String what, String detail) {
        String number = cases.number(session.caseId());
        happenings.tell(
                number, who, what, "session " + session.id() + (detail.isEmpty() ? "" : ", " + detail), Topic.IMAGING);
        return session.view(number);
    }

    private ImagingSession atWork(long id) {
        ImagingSession session = unfinished(id);
        if (!session.state().isAtWork()) {
            throw Refusal.conflict("This session is not running; resume it first.");
        }
        return session;
    }

    private ImagingSession unfinished(long id) {
        ImagingSession session =
                sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no imaging session " + id + "."));
        if (Objects.equals(session.state(), WorkState.DONE)) {
            throw Refusal.conflict("This session is done; there is nothing left to change.");
        }
        return session;
    }
}
