package org.brantel.server.presence;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Screens say every now and then that somebody looks at them; who has not said so for a while is gone. */
@Service
class Presence {

    /** @param place the part of the docket that they look at */
    record Here(String login, String name, String place) {}

    /** Twice what screens wait between two times. */
    static final Duration STAYS = Duration.ofSeconds(45);

    private final PresentRows rows;
    private final Cases cases;
    private final Staff staff;
    private final Happenings happenings;
    private final Clock clock;

    Presence(PresentRows rows, Cases cases, Staff staff, Happenings happenings, Clock clock) {
        this.rows = rows;
        this.cases = cases;
        this.staff = staff;
        this.happenings = happenings;
        this.clock = clock;
    }

    /**
     * Somebody looks at a case.
     *
     * @return the others who do
     */
    @Transactional
    List<Here> seen(String number, String place, String login) {
        cases.id(number);
        Instant now = clock.instant();
        boolean news = rows.findByCaseNumberAndLogin(number, login)
                .filter(b -> b.seenAt().isAfter(now.minus(STAYS)) && b.place().equals(place))
                .isEmpty();
        rows.seen(number, login, place, now);
        if (news) {
            rows.deleteBySeenAtBefore(now.minus(Duration.ofDays(1)));
            happenings.changed(number, Topic.PRESENCE);
        }
        return others(number, login, now);
    }

    @Transactional
    void left(String number, String login) {
        rows.deleteByCaseNumberAndLogin(number, login);
        happenings.changed(number, Topic.PRESENCE);
    }

    private List<Here> others(String number, String login, Instant now) {
        Map<String, Staff.Person> people =
                staff.all().stream().collect(Collectors.toMap(Staff.Person::login, Function.identity()));
        return rows.findByCaseNumberAndSeenAtAfterOrderByLogin(number, now.minus(STAYS)).stream()
                .filter(r -> !r.login().equals(login))
                .flatMap(r -> Optional.ofNullable(people.get(r.login())).stream()
                        .map(p -> new Here(p.login(), p.name(), r.place())))
                .toList();
    }
}
