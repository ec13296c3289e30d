package org.brantel.core.carve;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/**
 * What to look for, and where.
 *
 * @param kinds     what to look for
 * @param everyByte content may begin at any byte, not only where sectors do
 * @param nested    also what begins inside a find
 * @param step      bytes of a sector
 */
public record CarvePlan(List<ContentKind> kinds, boolean everyByte, boolean nested, int step) {

    public CarvePlan {
        kinds = List.copyOf(kinds);
    }
}
