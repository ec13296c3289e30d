package org.brantel.core.triage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * One condition of a rule: {@code code|code=value|value} holds when any of the codes has any of the values;
 * {@code code!=value} when none has (also when nothing is known); {@code code>=number} compares numbers.
 */
public record Condition(List<String> codes, Comparison comparison, List<String> values) {

    /** How what is known is held against the values. */
    enum Comparison {
        ANY_OF("="),
        NONE_OF("!="),
        AT_LEAST(">=");

        private final String sign;

        Comparison(String sign) {
            this.sign = sign;
        }

        static Comparison of(String sign) {
            return Arrays.stream(values())
                    .filter(c -> c.sign.equals(sign))
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static final Pattern FORM = Pattern.compile("([a-z.|-]+)(!=|>=|=)([a-z0-9|-]+)");

    /**
     * @throws IllegalArgumentException for what is no condition, or speaks of a fact that the protocol does not have
     */
    public static Condition parse(String text, Protocol protocol) {
        Matcher m = FORM.matcher(text);
        if (!m.matches()) {
            throw new IllegalArgumentException("it is not of the form code=value");
        }
        Condition condition = new Condition(
                List.of(m.group(1).split("\\|")),
                Comparison.of(m.group(2)),
                List.of(m.group(3).split("\\|")));
        List<Protocol.FactCode> facts = condition.codes.stream()
                .map(code -> protocol.fact(code)
                        .orElseThrow(() -> new IllegalArgumentException("there is no fact '" + code + "'")))
                .toList();
        for (Protocol.FactCode fact : facts) {
            if (condition.comparison == Comparison.AT_LEAST
                    && !(fact.number() && condition.values.get(0).matches("\\d{1,9}"))) {
                throw new IllegalArgumentException("only a fact that is a number is compared with a number");
            }
        }
        for (String value : condition.values) {
            if (facts.stream().noneMatch(f -> f.holds(value))) {
                facts.get(0).check(value);
            }
        }
        return condition;
    }

    /** All of them, parsed. */
    public static List<Condition> all(List<String> texts, Protocol protocol) {
        return texts.stream().map(t -> parse(t, protocol)).toList();
    }

    /** The facts that make all of them hold; null when one does not hold. */
    public static @Nullable List<String> allHoldBecause(List<Condition> conditions, Facts facts) {
        List<String> because = new ArrayList<>();
        for (Condition condition : conditions) {
            List<String> held = condition.holdsBecause(facts);
            if (held == null) {
                return null;
            }
            because.addAll(held);
        }
        return because;
    }

    /** Which facts make it hold, as {@code code=value}; null when it does not hold. */
    @Nullable
    List<String> holdsBecause(Facts facts) {
        List<String> because = new ArrayList<>();
        for (String code : codes) {
            Set<String> has = facts.values(code);
            for (String value : has) {
                if (comparison == Comparison.AT_LEAST
                        ? Long.parseLong(value) >= Long.parseLong(values.get(0))
                        : values.contains(value)) {
                    because.add(code + "=" + value);
                }
            }
        }
        if (comparison == Comparison.NONE_OF) {
            return because.isEmpty() ? List.of() : null;
        }
        return because.isEmpty() ? null : because;
    }
}
