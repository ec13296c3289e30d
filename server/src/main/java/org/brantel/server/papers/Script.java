package org.brantel.server.papers;

import com.ibm.icu.text.ArabicShaping;
import com.ibm.icu.text.ArabicShapingException;
import com.ibm.icu.text.Bidi;

/** Text as a printer sets it: letters that join are joined, what runs from right to left is turned. */
final class Script {

    private Script() {}

    /** One line in visual order. Control characters and marks of direction are left out. */
    static String visual(String text) {
        String plain = text.replaceAll("[\\p{Cc}\\p{Cf}\\u2028\\u2029]", " ");
        if (!Bidi.requiresBidi(plain.toCharArray(), 0, plain.length())) {
            return plain;
        }
        try {
            String shaped =
                    new ArabicShaping(ArabicShaping.LETTERS_SHAPE | ArabicShaping.TEXT_DIRECTION_LOGICAL).shape(plain);
            return new Bidi(shaped, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT).writeReordered(Bidi.DO_MIRRORING);
        } catch (ArabicShapingException e) {
            return plain; // unshaped is still legible
        }
    }
}
