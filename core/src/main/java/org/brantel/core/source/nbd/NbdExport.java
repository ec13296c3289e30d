package org.brantel.core.source.nbd;

import java.util.Arrays;
import org.brantel.core.source.Identity;

/**
 * What a server says about an export.
 *
 * @param description free text; a bench box writes {@code make=…; model=…; serial=…} of the drive into it
 *                    (docs/formats.md)
 * @param unit        smallest request, a power of two
 * @param largest     largest request
 */
record NbdExport(long size, boolean readOnly, String description, int unit, int largest) {

    Identity identity() {
        return new Identity(word("make"), word("model"), word("serial"), size);
    }

    private String word(String key) {
        return Arrays.stream(description.split("[;\n]"))
                .map(String::strip)
                .filter(w -> w.startsWith(key + "="))
                .map(w -> w.substring(key.length() + 1))
                .findFirst()
                .orElse("");
    }
}
