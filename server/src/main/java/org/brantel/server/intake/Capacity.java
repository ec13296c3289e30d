package org.brantel.server.intake;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.server.platform.Refusal;

/** Capacities as people write them. Units without an i are decimal, as makers print them. */
final class Capacity {

    private static final Pattern FORM = Pattern.compile("([0-9]+(?:[.,][0-9]+)?)\\s*([kmgtp]?i?b?|bytes?)", Pattern.CASE_INSENSITIVE);
    private static final Map<Character, Integer> POWER = Map.of('k', 1, 'm', 2, 'g', 3, 't', 4, 'p', 5);
    private static final BigDecimal LARGEST = new BigDecimal("1e15");

    private Capacity() { }

    /** @return bytes; 0 for an empty text */
    static long parse(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        if (plain.isEmpty()) {
            return 0;
        }
        Matcher m = FORM.matcher(plain);
        if (!m.matches()) {
            throw Refusal.badInput("device.capacity", "'" + text.strip()
                    + "' is not a capacity; write it like 2 TB, 500 GB or 14.9 GiB.");
        }
        String unit = m.group(2).toLowerCase(Locale.ROOT);
        BigDecimal base = BigDecimal.valueOf(unit.contains("i") ? 1024 : 1000);
        int power = unit.isEmpty() ? 0 : POWER.getOrDefault(unit.charAt(0), 0);
        BigDecimal bytes = new BigDecimal(m.group(1).replace(',', '.')).multiply(base.pow(power));
        if (bytes.signum() == 0) {
            throw Refusal.badInput("device.capacity", "A capacity of 0 is not possible; leave it empty when it is not known.");
        }
        if (bytes.compareTo(LARGEST) > 0) {
            throw Refusal.badInput("device.capacity", "'" + text.strip()
                    + "' is more than any device holds (1 PB); check the unit.");
        }
        return bytes.setScale(0, RoundingMode.HALF_UP).longValueExact();
    }
}
