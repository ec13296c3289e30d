package org.brantel.core.triage;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One condition of a rule: {@code code|code=value|value} holds when any of the codes has any of the values;
 * {@code code!=value} when none has (also when nothing is known); {@code code>=number} compares numbers.
 */
record Condition(List<String> codes, String operator, List<String> values) {

    private static final Pattern FORM = Pattern.compile("([a-z.|-]+)(!=|>=|=)([a-z0-9|-]+)");

    static Condition parse(String text, Protocol protocol) {
        Matcher m = FORM.matcher(text);
        if (!m.matches()) {
            throw new IllegalArgumentException("it is not of the form code=value");
        }
        Condition condition = new Condition(List.of(m.group(1).split("\\|")), m.group(2), List.of(m.group(3).split("\\|")));
        for (String code : condition.codes) {
            Protocol.FactCode fact = protocol.fact(code)
                    .orElseThrow(() -> new IllegalArgumentException("there is no fact '" + code + "'"));
            if (condition.codes.size() == 1) {
                condition.values.forEach(fact::check);
            }
        }
        return condition;
    }

    /** Which facts make it hold, as {@code code=value}; null when it does not hold. */
    List<String> holdsBecause(Facts facts) {
        List<String> because = new ArrayList<>();
        for (String code : codes) {
            Set<String> has = facts.values(code);
            for (String value : has) {
                if (operator.equals(">=") ? Long.parseLong(value) >= Long.parseLong(values.get(0)) : values.contains(value)) {
                    because.add(code + "=" + value);
                }
            }
        }
        if (operator.equals("!=")) {
            return because.isEmpty() ? List.of() : null;
        }
        return because.isEmpty() ? null : because;
    }
}
