package org.brantel.server.catalogue;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.jspecify.annotations.Nullable;

/** How each session found a line: at its best, where it found the line more than once. */
final class Seen {

    static final Seen NOWHERE = new Seen();

    private static final Comparator<CatalogueViews.Version> BETTER = Comparator.comparingInt(
                    CatalogueViews.Version::rank)
            .thenComparing(CatalogueViews.Version::origin)
            .thenComparing(v -> v.path() == null ? "" : v.path());

    /** No version where a session of before that was kept found it. */
    private final Map<Long, CatalogueViews.@Nullable Version> bySession = new HashMap<>();

    static CatalogueViews.Version of(Finding f) {
        return new CatalogueViews.Version(Catalogue.rank(f), f.prognosis(), f.score(), f.origin(), f.path());
    }

    /** @return whether that is news */
    boolean by(long session, CatalogueViews.@Nullable Version version) {
        if (!bySession.containsKey(session)) {
            bySession.put(session, version);
            return true;
        }
        CatalogueViews.Version known = bySession.get(session);
        if (version == null || known != null && BETTER.compare(known, version) <= 0) {
            return false;
        }
        bySession.put(session, version);
        return true;
    }

    List<Long> sessions() {
        return bySession.keySet().stream().sorted().toList();
    }

    CatalogueViews.@Nullable Version in(long session) {
        return bySession.get(session);
    }

    /** By the session's number, as others see it. */
    Map<String, CatalogueViews.Version> versions() {
        Map<String, CatalogueViews.Version> all = new TreeMap<>();
        bySession.forEach((session, version) -> {
            if (version != null) {
                all.put(Long.toString(session), version);
            }
        });
        return all;
    }
}
