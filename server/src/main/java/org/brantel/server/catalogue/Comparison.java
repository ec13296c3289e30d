package org.brantel.server.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What two scan sessions found.
 *
 * @param onlyA   files that only the first one found
 * @param both    files that both found, equally well or not
 * @param betterA of those in both, files that the first one found in a better state
 * @param kinds   the same by kind
 */
public record Comparison(
        long a, long b, Side onlyA, Side onlyB, Side both, Side betterA, Side betterB, List<Kind> kinds) {

    public record Side(long files, long bytes) {
        Side and(long more) {
            return new Side(files + 1, bytes + more);
        }
    }

    public record Kind(String kind, Side onlyA, Side onlyB, Side both) {}

    /** Adds lines up. */
    static final class Sum {
        private static final Side NONE = new Side(0, 0);
        private final String a;
        private final String b;
        private final Map<String, Side[]> byKind = new TreeMap<>();
        private final Side[] all = {NONE, NONE, NONE, NONE, NONE};

        Sum(long a, long b) {
            this.a = Long.toString(a);
            this.b = Long.toString(b);
        }

        void take(CatalogueViews.Line line) {
            boolean inA = line.found().sessions().contains(Long.valueOf(a));
            boolean inB = line.found().sessions().contains(Long.valueOf(b));
            if (!inA && !inB) {
                return;
            }
            int slot = inA && inB ? 2 : inA ? 0 : 1;
            all[slot] = all[slot].and(line.stored().size());
            Side[] kind = byKind.computeIfAbsent(line.stored().kind(), k -> new Side[] {NONE, NONE, NONE});
            kind[slot] = kind[slot].and(line.stored().size());
            CatalogueViews.Version va = line.found().versions().get(a);
            CatalogueViews.Version vb = line.found().versions().get(b);
            if (va != null && vb != null && va.rank() != vb.rank()) {
                int better = va.rank() < vb.rank() ? 3 : 4;
                all[better] = all[better].and(line.stored().size());
            }
        }

        Comparison comparison() {
            List<Kind> kinds = new ArrayList<>();
            byKind.forEach((kind, s) -> kinds.add(new Kind(kind, s[0], s[1], s[2])));
            return new Comparison(Long.parseLong(a), Long.parseLong(b), all[0], all[1], all[2], all[3], all[4], kinds);
        }
    }
}
