package org.brantel.server.protocol;

import java.io.IOException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.brantel.core.estimate.Estimator;
import org.brantel.core.spoken.FreeLine;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Triage;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The protocol in force, ready to be used. Every server process takes up a newer one at its next question. */
@Service
public class LabProtocol {

    /** A stated fact, told or observed. */
    public interface Stated {
        String code();

        String value();

        Said source();
    }

    private record InForce(long id, Triage triage, FreeLine freeLine, Estimator estimator) {
        static InForce of(long id, Protocol protocol) {
            Triage triage = new Triage(protocol);
            return new InForce(id, triage, new FreeLine(protocol), new Estimator(triage));
        }
    }

    private static final long SHIPPED = 0;

    private final AdoptedProtocols adopted;
    private final Clock clock;
    private volatile InForce inForce = InForce.of(SHIPPED, Protocol.current());

    LabProtocol(AdoptedProtocols adopted, Clock clock) {
        this.adopted = adopted;
        this.clock = clock;
    }

    private InForce inForce() {
        Optional<AdoptedProtocol> newest = adopted.findFirstByOrderByIdDesc();
        if (newest.map(AdoptedProtocol::id).orElse(SHIPPED) != inForce.id) {
            try {
                inForce = newest.isEmpty()
                        ? InForce.of(SHIPPED, Protocol.current())
                        : InForce.of(
                                newest.get().id(), Protocol.parse(newest.get().text(), "that was adopted"));
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        return inForce;
    }

    public Triage triage() {
        return inForce().triage;
    }

    public Estimator estimator() {
        return inForce().estimator;
    }

    public FreeLine freeLine() {
        return inForce().freeLine;
    }

    /** @throws Refusal naming what does not belong to the protocol */
    public Facts facts(List<? extends Stated> stated) {
        return facts(stated, triage().protocol());
    }

    /** @throws Refusal naming what does not belong to that protocol */
    public static Facts facts(List<? extends Stated> stated, Protocol protocol) {
        try {
            return Facts.of(grouped(stated, Said.TOLD), grouped(stated, Said.OBSERVED), protocol);
        } catch (Facts.UnknownFact e) {
            throw Refusal.badInput("facts", Refusal.sentence(e));
        }
    }

    private static Map<String, List<String>> grouped(List<? extends Stated> facts, Said source) {
        return facts.stream()
                .filter(f -> f.source() == source)
                .collect(Collectors.groupingBy(
                        Stated::code, LinkedHashMap::new, Collectors.mapping(Stated::value, Collectors.toList())));
    }

    /** @throws Refusal with the line, when it is malformed, or when the words that callers use would not fit it */
    public static Triage candidate(String text) {
        try {
            Protocol protocol = Protocol.parse(text, "that was given");
            new FreeLine(protocol);
            return new Triage(protocol);
        } catch (IOException e) {
            throw Refusal.badInput("protocol", Refusal.sentence(e));
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(
                    "protocol",
                    "The protocol lacks a fact that callers' words are turned into (phrases.txt, " + e.getMessage()
                            + ").");
        }
    }

    /** Takes a protocol into force. Decisions keep the version that they were made with. */
    @Transactional
    public String adopt(String text, String who) {
        Triage triage = candidate(text);
        if (triage.name().equals(triage().name())) {
            throw Refusal.badInput(
                    "protocol", triage.name() + " is in force already; give the changed one another version.");
        }
        adopted.save(new AdoptedProtocol(triage.name(), text, who, clock.instant()));
        return triage.name();
    }
}
