package org.brantel.server.intake;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.WayKind;

/** The line of small letters in which a case is found. */
public final class FindWords {

    private FindWords() {}

    public static String of(
            String number,
            String contact,
            CustomerViews.Customer customer,
            List<CaseViews.Device> devices,
            List<WantedLine> wanted,
            String story,
            List<CaseViews.Fact> facts) {
        Stream<String> ways = customer.ways().stream()
                .flatMap(w -> w.kind() == WayKind.PHONE
                        ? Stream.of(w.value(), w.value().replaceAll("\\D", ""))
                        : Stream.of(w.value()));
        Stream<String> things = devices.stream()
                .flatMap(d -> Stream.of(
                        d.label().make(),
                        d.label().model(),
                        d.label().serial(),
                        d.label().serial().replaceAll("[^\\p{L}\\p{N}]", "")));
        return Stream.of(
                        Stream.of(number, customer.name(), contact),
                        ways,
                        things,
                        wanted.stream().map(WantedLine::words),
                        Stream.of(story),
                        facts.stream().map(f -> f.value().replace('-', ' ')))
                .flatMap(s -> s)
                .map(String::strip)
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(" "))
                .toLowerCase(Locale.ROOT);
    }
}
