package org.brantel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import org.brantel.server.platform.LetIn;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Secret;
import org.brantel.server.platform.StillSignedIn;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.stereotype.Service;

/**
 * Who is signed in, where and since when. A session holds a sign-in name and no more of a person: who that is, and whether
 * they may still work, is asked at each request.
 */
@Service
class Sessions implements StillSignedIn {

    /**
     * A session that is open.
     *
     * @param mark   tells it apart from the person's others, and opens nothing
     * @param active when somebody last used it
     * @param here   whether the question comes from it
     */
    record Open(String mark, Instant since, Instant active, String address, String browser, boolean here) {}

    /** For how many seconds nobody touched the page that asks by itself. */
    private static final String UNTOUCHED = "Brantel-Untouched";

    /** Where a page listens, also when nobody sits before it. */
    private static final String LISTENING = "/api/events";

    private static final String SINCE = "staff.since";
    private static final String ACTIVE = "staff.active";
    private static final String ADDRESS = "staff.address";
    private static final String BROWSER = "staff.browser";
    private static final String TWO = "staff.two";

    private static final int MARK = 16;

    /** So often the record of a session is written again because it is used. */
    private static final Duration OFTEN = Duration.ofMinutes(1);

    private final FindByIndexNameSessionRepository<? extends Session> kept;
    private final Staff staff;
    private final Factors factors;
    private final EntrySettings settings;
    private final ApplicationEventPublisher publisher;
    private final Clock clock;

    Sessions(
            FindByIndexNameSessionRepository<? extends Session> kept,
            Staff staff,
            Factors factors,
            EntrySettings settings,
            ApplicationEventPublisher publisher,
            Clock clock) {
        this.kept = kept;
        this.staff = staff;
        this.factors = factors;
        this.settings = settings;
        this.publisher = publisher;
        this.clock = clock;
    }

    /** Signs somebody in, by a session id that nobody knew before. */
    void begin(HttpServletRequest request, SignIns.Admitted in) {
        String login = in.person().login();
        HttpSession session = LetIn.afresh(request);
        Place place = Place.of(request);
        Instant now = clock.instant();
        session.setAttribute(FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME, login);
        session.setAttribute(SINCE, now);
        session.setAttribute(ACTIVE, now);
        session.setAttribute(ADDRESS, place.address());
        session.setAttribute(BROWSER, place.browser());
        session.setAttribute(LetIn.STAFF, login);
        if (in.two()) {
            shownTwo(session);
        }
        session.setMaxInactiveInterval((int) settings.longest().toSeconds());
    }

    /** Whoever this is showed more than a password. */
    static void shownTwo(HttpSession session) {
        session.setAttribute(TWO, true);
    }

    static boolean hasShownTwo(HttpSession session) {
        return session.getAttribute(TWO) != null;
    }

    /** Who sends a request; empty for nobody of the lab, and where a session is over, which it ends. */
    Optional<Staff.Person> who(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session == null || !(session.getAttribute(LetIn.STAFF) instanceof String login)) {
            return Optional.empty();
        }
        Instant now = clock.instant();
        Optional<Staff.Person> person = isOver(session::getAttribute, now)
                ? Optional.empty()
                : staff.active(login).filter(p -> factors.of(p, hasShownTwo(session)) != Factors.Lack.TO_SHOW);
        if (person.isEmpty()) {
            end(request);
        } else if (!request.getRequestURI().equals(LISTENING)) {
            touch(session, now.minusSeconds(untouched(request)));
        }
        return person;
    }

    private static long untouched(HttpServletRequest request) {
        String seconds = request.getHeader(UNTOUCHED);
        return seconds != null && seconds.matches("\\d{1,9}") ? Long.parseLong(seconds) : 0;
    }

    private static void touch(HttpSession session, Instant at) {
        if (session.getAttribute(ACTIVE) instanceof Instant active && at.isAfter(active.plus(OFTEN))) {
            session.setAttribute(ACTIVE, at);
        }
    }

    private boolean isOver(Function<String, @Nullable Object> attributes, Instant now) {
        return !(attributes.apply(SINCE) instanceof Instant since)
                || !(attributes.apply(ACTIVE) instanceof Instant active)
                || now.isAfter(since.plus(settings.longest()))
                || now.isAfter(active.plus(settings.idle()));
    }

    /** Ends the session that a request belongs to, if any. */
    void end(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            String id = session.getId();
            session.invalidate();
            publisher.publishEvent(new Ended(id));
        }
    }

    /**
     * Somebody's, the latest used first.
     *
     * @param here the id of the one that the question comes from
     */
    List<Open> of(String login, String here) {
        Instant now = clock.instant();
        return kept.findByPrincipalName(login).values().stream()
                .filter(s -> !isOver(s::getAttribute, now))
                .map(s -> new Open(
                        mark(s.getId()),
                        s.getRequiredAttribute(SINCE),
                        s.getRequiredAttribute(ACTIVE),
                        s.getAttributeOrDefault(ADDRESS, ""),
                        s.getAttributeOrDefault(BROWSER, ""),
                        s.getId().equals(here)))
                .sorted(Comparator.comparing(Open::active).reversed())
                .toList();
    }

    /** Ends one of somebody's. */
    void end(String login, String mark) {
        if (!endThose(login, id -> mark(id).equals(mark))) {
            throw Refusal.gone("This session is over already.");
        }
    }

    /** @param but the id of the one that goes on; null for none */
    void endAll(String login, @Nullable String but) {
        endThose(login, id -> !id.equals(but));
    }

    private boolean endThose(String login, Predicate<String> which) {
        Map<String, ? extends Session> all = kept.findByPrincipalName(login);
        List<String> those = all.keySet().stream().filter(which).toList();
        those.forEach(id -> {
            kept.deleteById(id);
            publisher.publishEvent(new Ended(id));
        });
        return !those.isEmpty();
    }

    @Override
    public boolean is(String session) {
        Session found = ((SessionRepository<?>) kept).findById(session);
        return found != null
                && !isOver(found::getAttribute, clock.instant())
                && found.getAttribute(LetIn.STAFF) instanceof String login
                && staff.active(login).isPresent();
    }

    private static String mark(String id) {
        return Secret.hash(id).substring(0, MARK);
    }
}
