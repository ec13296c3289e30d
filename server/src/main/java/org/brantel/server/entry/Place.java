package org.brantel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;

/**
 * Where somebody signs in.
 *
 * @param address of their machine
 * @param browser in words, as it says itself
 */
record Place(String address, String browser) {

    private record Sign(String sign, String word) {}

    /** The first that fits: most of them say that they are others as well. */
    private static final List<Sign> BROWSERS = List.of(
            new Sign("Edg/", "Edge"),
            new Sign("OPR/", "Opera"),
            new Sign("Firefox/", "Firefox"),
            new Sign("Chrome/", "Chrome or Chromium"),
            new Sign("Safari/", "Safari"));

    private static final List<Sign> SYSTEMS = List.of(
            new Sign("Android", "Android"),
            new Sign("iPhone", "an iPhone"),
            new Sign("iPad", "an iPad"),
            new Sign("Windows", "Windows"),
            new Sign("Mac OS X", "macOS"),
            new Sign("Linux", "Linux"));

    static Place of(HttpServletRequest request) {
        String says = Optional.ofNullable(request.getHeader("User-Agent")).orElse("");
        String browser = word(BROWSERS, says).orElse("another program");
        return new Place(
                request.getRemoteAddr(),
                word(SYSTEMS, says).map(on -> browser + " on " + on).orElse(browser));
    }

    private static Optional<String> word(List<Sign> signs, String says) {
        return signs.stream()
                .filter(s -> says.contains(s.sign()))
                .map(Sign::word)
                .findFirst();
    }
}
