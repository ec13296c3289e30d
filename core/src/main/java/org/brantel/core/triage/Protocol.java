package org.brantel.core.triage;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.json.Json;
import org.jspecify.annotations.Nullable;

/**
 * The triage protocol: declarative, versioned, readable.
 *
 * @param evidence  positive weights speak for a path, negative ones against it
 * @param bars      what rules paths out absolutely
 * @param stopRules the absolute 'do not's and what to say
 * @param prospects what limits the chance of getting the files back
 */
public record Protocol(
        @JsonUnwrapped Edition edition,
        List<Path> paths,
        List<FactCode> facts,
        List<Evidence> evidence,
        List<Bar> bars,
        List<StopRule> stopRules,
        List<Advice> meanwhile,
        List<Prospect> prospects) {

    public record Edition(String name, String version) {}

    public String version() {
        return edition.version();
    }

    /** A protocol that cannot be used; the message names the line and what is wrong there. */
    public static final class Malformed extends IOException {
        private static final long serialVersionUID = 1L;

        Malformed(String message) {
            super(message);
        }
    }

    public record Path(String code, String label, String firstMove) {

        RecoveryPath is() {
            return RecoveryPath.ofWord(code).orElseThrow();
        }
    }

    /**
     * How a fact is asked for.
     *
     * @param ask     the question in words one can say
     * @param askWhen when the question makes sense at all: nobody asks whether a card spins
     * @param checks  the code of what customers tell that this one sees on the bench; null for none
     */
    public record Asking(
            String ask, List<String> askWhen, @Nullable String checks) {
        public Asking {
            askWhen = askWhen == null ? List.of() : List.copyOf(askWhen);
        }
    }

    /**
     * A code and what it may hold.
     *
     * @param label   what it is about, in words
     * @param words   each value as a person says it; values without any are said by their code
     * @param many    may hold several values
     * @param number  holds a number
     */
    public record FactCode(
            String code,
            String label,
            boolean many,
            boolean number,
            List<String> values,
            Map<String, String> words,
            @JsonUnwrapped Asking asking) {

        private static final int HOURS_OF_TWO_DAYS = 48;

        public FactCode {
            label = label == null || label.isBlank()
                    ? code.substring(code.indexOf('.') + 1).replace('-', ' ')
                    : label;
            values = values == null ? List.of() : List.copyOf(values);
            words = words == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(words));
        }

        /**
         * The fact as a person says it: {@code clicks}, {@code backup: none}, {@code 3 days ago},
         * {@code noise: not known}.
         */
        public String say(String value) {
            if (Facts.UNKNOWN.equals(value)) {
                return label + ": not known";
            }
            if (number && value.matches("\\d{1,9}")) {
                int hours = Integer.parseInt(value);
                return hours == 1
                        ? "1 hour ago"
                        : hours < HOURS_OF_TWO_DAYS ? hours + " hours ago" : hours / 24 + " days ago";
            }
            return words.getOrDefault(value, label + ": " + value.replace('-', ' '));
        }

        boolean holds(String value) {
            return Facts.UNKNOWN.equals(value) || (number ? value.matches("\\d{1,9}") : values.contains(value));
        }

        void check(String value) {
            if (holds(value)) {
                return;
            }
            if (number) {
                throw new Facts.UnknownFact("The fact '" + code + "' is a whole number, not '" + value + "'.");
            } else {
                throw new Facts.UnknownFact("The fact '" + code + "' has no value '" + value + "'; the nearest is '"
                        + Nearest.of(value, values) + "'.");
            }
        }
    }

    public record Evidence(List<String> when, String path, int weight, String reason) {}

    public record Bar(List<String> when, List<String> paths, String reason) {}

    public record StopRule(String code, List<String> when, String say) {}

    public record Advice(List<String> when, String say) {}

    /**
     * How likely it is that the wanted files come back, at best, when the conditions hold.
     *
     * @param paths where it counts; null for every path that works on the device itself, which an existing copy does
     *              not
     */
    public record Prospect(List<String> when, Chance chance, String reason, List<String> paths) {

        boolean countsFor(RecoveryPath path) {
            return paths == null ? path.worksOnTheDevice() : paths.contains(path.word());
        }
    }

    /** The protocol that ships with the product. */
    public static Protocol current() {
        try (InputStream in = Protocol.class.getResourceAsStream("protocol.json")) {
            return parse(new String(in.readAllBytes(), StandardCharsets.UTF_8), "protocol.json");
        } catch (IOException e) {
            throw new IllegalStateException("the triage protocol that ships with the product is malformed", e);
        }
    }

    /** @throws IOException naming the line and what is wrong there */
    public static Protocol parse(String text, String where) throws IOException {
        Protocol protocol = Json.read(text, Protocol.class, "triage protocol", where);
        ProtocolCheck.Fault fault = ProtocolCheck.firstFault(protocol);
        if (fault != null) {
            throw new Malformed("The triage protocol " + where + ", line " + Json.lineOf(text, fault.place())
                    + " is malformed: " + fault.what() + ".");
        }
        return protocol;
    }

    public Optional<FactCode> fact(String code) {
        return facts.stream().filter(f -> f.code().equals(code)).findFirst();
    }

    /** A fact as a person says it; one of an older protocol by its code. */
    public String say(String code, String value) {
        return fact(code).map(f -> f.say(value)).orElse(code + "=" + value);
    }

    public Optional<Path> path(String code) {
        return paths.stream().filter(p -> p.code().equals(code)).findFirst();
    }
}
