package org.brantel.server.settings;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What of a setting is otherwise than before, in words: each value by the names that lead to it. */
final class WhatChanged {

    /** A longer text is only said to be another. */
    private static final int LONGEST = 60;

    private WhatChanged() {}

    /** @return like {@code health seconds from 30 to 2}; "nothing" where all is as it was */
    static String words(String before, String after) {
        Map<String, String> was = leaves(before);
        Map<String, String> is = leaves(after);
        TreeSet<String> names = new TreeSet<>(was.keySet());
        names.addAll(is.keySet());
        String said = names.stream()
                .filter(n -> !value(was, n).equals(value(is, n)))
                .map(n -> n + " " + change(value(was, n), value(is, n)))
                .collect(Collectors.joining(", "));
        return said.isEmpty() ? "nothing" : said;
    }

    private static String value(Map<String, String> leaves, String name) {
        return leaves.getOrDefault(name, "");
    }

    private static String change(String was, String is) {
        if (was.length() > LONGEST || is.length() > LONGEST) {
            return "worded anew";
        }
        return "from " + (was.isEmpty() ? "none" : was) + " to " + (is.isEmpty() ? "none" : is);
    }

    private static Map<String, String> leaves(String json) {
        Map<String, String> leaves = new TreeMap<>();
        collect("", JsonMapper.shared().readTree(json), leaves);
        return leaves;
    }

    private static void collect(String name, JsonNode node, Map<String, String> into) {
        if (node.isObject()) {
            node.properties().forEach(p -> collect(joined(name, spoken(p.getKey())), p.getValue(), into));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                collect(joined(name, String.valueOf(i + 1)), node.get(i), into);
            }
        } else {
            into.put(name, node.isNull() ? "" : node.asString());
        }
    }

    private static String joined(String name, String next) {
        return name.isEmpty() ? next : name + " " + next;
    }

    private static String spoken(String key) {
        return key.replaceAll("([a-z])([A-Z])", "$1 $2").replace('-', ' ').toLowerCase(Locale.ROOT);
    }
}
