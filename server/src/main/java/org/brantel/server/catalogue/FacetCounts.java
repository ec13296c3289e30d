package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.brantel.core.finding.Prognosis;

/**
 * How many lines there are of each kind, origins and prognosis together. From it comes what stands beside a page: what
 * passes a filter, and for each condition what would pass if that one were another.
 */
record FacetCounts(List<Cell> cells) {

    /**
     * @param lines of this kind, with exactly these origins and this prognosis
     * @param bytes of these lines
     */
    record Cell(String kind, List<String> origins, Prognosis prognosis, long lines, long bytes) {

        private boolean isOfKind(CatalogueFilter f) {
            return f.kinds().isEmpty() || f.kinds().contains(kind);
        }

        private boolean isOfOrigin(CatalogueFilter f) {
            return f.origins().isEmpty() || origins.stream().anyMatch(f.origins()::contains);
        }

        private boolean isOfPrognosis(CatalogueFilter f) {
            return f.prognoses().isEmpty() || f.prognoses().contains(prognosis.word());
        }
    }

    long all() {
        return cells.stream().mapToLong(Cell::lines).sum();
    }

    long of(Collection<String> kinds) {
        return cells.stream()
                .filter(c -> kinds.contains(c.kind()))
                .mapToLong(Cell::lines)
                .sum();
    }

    long matching(CatalogueFilter f) {
        return passing(f).mapToLong(Cell::lines).sum();
    }

    /** Of what passes. */
    long bytes(CatalogueFilter f) {
        return passing(f).mapToLong(Cell::bytes).sum();
    }

    private Stream<Cell> passing(CatalogueFilter f) {
        return cells.stream().filter(c -> c.isOfKind(f) && c.isOfOrigin(f) && c.isOfPrognosis(f));
    }

    /** By kind, whatever kinds the filter asks for. */
    Map<String, Long> kinds(CatalogueFilter f) {
        return counted(cells.stream().filter(c -> c.isOfOrigin(f) && c.isOfPrognosis(f)), c -> List.of(c.kind()));
    }

    /** By origin, whatever origins the filter asks for; a line may have several. */
    Map<String, Long> origins(CatalogueFilter f) {
        return counted(cells.stream().filter(c -> c.isOfKind(f) && c.isOfPrognosis(f)), Cell::origins);
    }

    Map<String, Long> prognoses(CatalogueFilter f) {
        return counted(
                cells.stream().filter(c -> c.isOfKind(f) && c.isOfOrigin(f)),
                c -> List.of(c.prognosis().word()));
    }

    private static Map<String, Long> counted(Stream<Cell> cells, Function<Cell, List<String>> words) {
        Map<String, Long> counts = new TreeMap<>();
        cells.forEach(c -> words.apply(c).forEach(w -> counts.merge(w, c.lines(), Long::sum)));
        return counts;
    }
}
