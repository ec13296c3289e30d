package org.brantel.core.triage;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Whether the parts of a protocol fit together. */
final class ProtocolCheck {

    /** @param place a JSON pointer, like {@code /evidence/12} */
    record Fault(String place, String what) {}

    private final Protocol protocol;
    private final Set<String> paths;
    private @Nullable Fault first;

    private ProtocolCheck(Protocol protocol) {
        this.protocol = protocol;
        this.paths = protocol.paths() == null
                ? Set.of()
                : protocol.paths().stream().map(Protocol.Path::code).collect(Collectors.toSet());
    }

    /** @return null when there is none */
    static @Nullable Fault firstFault(Protocol protocol) {
        ProtocolCheck check = new ProtocolCheck(protocol);
        check.parts();
        return check.first;
    }

    private void parts() {
        if (isBlank(protocol.edition().name()) || isBlank(protocol.version())) {
            fault("", "it has no name or no version");
        }
        if (!isThere("paths", protocol.paths())
                || !isThere("facts", protocol.facts())
                || !isThere("evidence", protocol.evidence())
                || !isThere("bars", protocol.bars())
                || !isThere("stopRules", protocol.stopRules())
                || !isThere("meanwhile", protocol.meanwhile())
                || !isThere("prospects", protocol.prospects())) {
            return;
        }
        once("paths", protocol.paths(), Protocol.Path::code);
        each(
                "paths",
                protocol.paths(),
                p -> List.of(),
                p -> RecoveryPath.ofWord(p.code()).isPresent()
                        ? null
                        : "there is no recovery path '" + p.code() + "'; the lab works by " + known());
        once("facts", protocol.facts(), Protocol.FactCode::code);
        each(
                "facts",
                protocol.facts(),
                f -> f.asking().askWhen(),
                f -> isBlank(f.asking().ask())
                        ? "the fact '" + f.code() + "' has no question"
                        : !f.number() && f.values().isEmpty()
                                ? "the fact '" + f.code() + "' has no values"
                                : !f.values().containsAll(f.words().keySet())
                                        ? "the fact '" + f.code() + "' has words for a value that it does not have"
                                        : f.asking().checks() != null
                                                        && protocol.fact(f.asking()
                                                                        .checks())
                                                                .isEmpty()
                                                ? "there is no fact '"
                                                        + f.asking().checks() + "'"
                                                : null);
        each(
                "evidence",
                protocol.evidence(),
                Protocol.Evidence::when,
                e -> unknownPath(e.path()) != null
                        ? unknownPath(e.path())
                        : e.weight() == 0
                                ? "evidence with the weight 0"
                                : isBlank(e.reason()) ? "evidence without a reason" : null);
        each(
                "bars",
                protocol.bars(),
                Protocol.Bar::when,
                b -> b.paths() == null || b.paths().isEmpty()
                        ? "a bar of no path"
                        : b.paths().stream()
                                .map(this::unknownPath)
                                .filter(f -> f != null)
                                .findFirst()
                                .orElse(isBlank(b.reason()) ? "a bar without a reason" : null));
        each(
                "stopRules",
                protocol.stopRules(),
                Protocol.StopRule::when,
                s -> isBlank(s.code()) || isBlank(s.say())
                        ? "a stop rule without a code or without words to say"
                        : null);
        each(
                "meanwhile",
                protocol.meanwhile(),
                Protocol.Advice::when,
                a -> isBlank(a.say()) ? "advice without words" : null);
        each(
                "prospects",
                protocol.prospects(),
                Protocol.Prospect::when,
                p -> p.chance() == null || isBlank(p.reason())
                        ? "a prospect without a chance or without a reason"
                        : p.paths() == null
                                ? null
                                : p.paths().stream()
                                        .map(this::unknownPath)
                                        .filter(f -> f != null)
                                        .findFirst()
                                        .orElse(null));
    }

    private static boolean isBlank(String text) {
        return text == null || text.isBlank();
    }

    private static String known() {
        return Arrays.stream(RecoveryPath.values()).map(RecoveryPath::word).collect(Collectors.joining(", "));
    }

    private @Nullable String unknownPath(String path) {
        return paths.contains(path)
                ? null
                : "there is no path '" + path + "'; the nearest is '" + Nearest.of(path == null ? "" : path, paths)
                        + "'";
    }

    private boolean isThere(String part, List<?> list) {
        if (list == null) {
            fault("", "it has no '" + part + "'");
        }
        return list != null;
    }

    private <T> void once(String part, List<T> list, Function<T, String> code) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < list.size(); i++) {
            if (isBlank(code.apply(list.get(i))) || !seen.add(code.apply(list.get(i)))) {
                fault("/" + part + "/" + i, "'" + code.apply(list.get(i)) + "' is empty or there twice");
            }
        }
    }

    private <T> void each(String part, List<T> list, Function<T, List<String>> when, Function<T, String> own) {
        for (int i = 0; i < list.size(); i++) {
            String place = "/" + part + "/" + i;
            String wrong = own.apply(list.get(i));
            if (wrong != null) {
                fault(place, wrong);
            }
            List<String> conditions = when.apply(list.get(i));
            if (conditions == null) {
                fault(place, "it does not say when");
                continue;
            }
            for (String text : conditions) {
                try {
                    Condition.parse(text, protocol);
                } catch (IllegalArgumentException e) {
                    fault(place, "the condition '" + text + "': " + e.getMessage());
                }
            }
        }
    }

    private void fault(String place, String what) {
        if (first == null) {
            first = new Fault(place, what);
        }
    }
}
