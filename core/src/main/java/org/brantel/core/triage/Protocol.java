package org.brantel.core.triage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.json.Json;

/**
 * The triage protocol: declarative, versioned, readable.
 *
 * @param evidence  positive weights speak for a path, negative ones against it
 * @param bars      what rules paths out absolutely
 * @param stopRules the absolute 'do not's and what to say
 */
public record Protocol(String name, String version, List<Path> paths, List<FactCode> facts, List<Evidence> evidence,
                       List<Bar> bars, List<StopRule> stopRules, List<Advice> meanwhile) {

    public record Path(String code, String label, String firstMove) { }

    /**
     * A code and what it may hold.
     *
     * @param many   may hold several values
     * @param number holds a number
     * @param ask    the question in words one can say
     */
    public record FactCode(String code, boolean many, boolean number, List<String> values, String ask) {

        public FactCode {
            values = values == null ? List.of() : List.copyOf(values);
        }

        void check(String value) {
            if (Facts.UNKNOWN.equals(value)) {
                return;
            }
            if (number) {
                if (!value.matches("\\d{1,9}")) {
                    throw new Facts.UnknownFact("The fact '" + code + "' is a whole number, not '" + value + "'.");
                }
            } else if (!values.contains(value)) {
                throw new Facts.UnknownFact("The fact '" + code + "' has no value '" + value + "'; the nearest is '"
                        + Nearest.of(value, values) + "'.");
            }
        }
    }

    public record Evidence(List<String> when, String path, int weight, String reason) { }

    public record Bar(List<String> when, List<String> paths, String reason) { }

    public record StopRule(String code, List<String> when, String say) { }

    public record Advice(List<String> when, String say) { }

    /** The protocol that ships with the product. */
    public static Protocol current() {
        try (InputStream in = Protocol.class.getResourceAsStream("protocol.json")) {
            return parse(new String(in.readAllBytes(), StandardCharsets.UTF_8), "protocol.json");
        } catch (IOException e) {
            throw new IllegalStateException("the triage protocol that ships with the product is malformed", e);
        }
    }

    /** @throws IOException naming the line, or the rule that speaks of something unknown */
    public static Protocol parse(String text, String where) throws IOException {
        Protocol protocol = Json.read(text, Protocol.class, "triage protocol", where);
        List<String> faults = protocol.faults();
        if (!faults.isEmpty()) {
            throw new IOException("The triage protocol " + where + " is malformed: " + faults.get(0) + ".");
        }
        return protocol;
    }

    public Optional<FactCode> fact(String code) {
        return facts.stream().filter(f -> f.code().equals(code)).findFirst();
    }

    public Optional<Path> path(String code) {
        return paths.stream().filter(p -> p.code().equals(code)).findFirst();
    }

    private List<String> faults() {
        List<String> faults = new ArrayList<>();
        Set<String> known = paths.stream().map(Path::code).collect(Collectors.toSet());
        List<List<String>> conditions = new ArrayList<>();
        for (Evidence e : evidence) {
            conditions.add(e.when());
            if (!known.contains(e.path()) || e.weight() == 0) {
                faults.add("evidence '" + e.reason() + "' has the path '" + e.path() + "' and the weight " + e.weight());
            }
        }
        for (Bar b : bars) {
            conditions.add(b.when());
            if (!known.containsAll(b.paths())) {
                faults.add("the bar '" + b.reason() + "' has an unknown path in " + b.paths());
            }
        }
        stopRules.forEach(s -> conditions.add(s.when()));
        meanwhile.forEach(a -> conditions.add(a.when()));
        for (List<String> when : conditions) {
            for (String text : when) {
                try {
                    Condition.parse(text, this);
                } catch (IllegalArgumentException e) {
                    faults.add("the condition '" + text + "': " + e.getMessage());
                }
            }
        }
        return faults;
    }
}
