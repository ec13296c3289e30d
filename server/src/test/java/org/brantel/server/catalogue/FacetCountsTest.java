package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.brantel.core.finding.Prognosis;
import org.junit.jupiter.api.Test;

class FacetCountsTest {

    private static final FacetCounts COUNTS = new FacetCounts(List.of(
            new FacetCounts.Cell("jpg", List.of("carved", "live"), Prognosis.WHOLE, 5, 500),
            new FacetCounts.Cell("jpg", List.of("carved"), Prognosis.DOUBTFUL, 3, 30),
            new FacetCounts.Cell("pdf", List.of("deleted"), Prognosis.WHOLE, 2, 2000)));

    private static CatalogueFilter filter(List<String> kinds, List<String> origins, List<String> prognoses) {
        return new CatalogueFilter(kinds, origins, prognoses, null, null, false, null, null);
    }

    @Test
    void eachConditionIsCountedAsIfItWereNotAsked() {
        CatalogueFilter wholePictures = filter(List.of("jpg"), List.of(), List.of("whole"));
        assertThat(COUNTS.all()).isEqualTo(10);
        assertThat(COUNTS.matching(wholePictures)).isEqualTo(5);
        assertThat(COUNTS.bytes(wholePictures)).isEqualTo(500);
        assertThat(COUNTS.kinds(wholePictures)).isEqualTo(Map.of("jpg", 5L, "pdf", 2L));
        assertThat(COUNTS.prognoses(wholePictures)).isEqualTo(Map.of("whole", 5L, "doubtful", 3L));
        assertThat(COUNTS.origins(wholePictures)).isEqualTo(Map.of("carved", 5L, "live", 5L));
    }

    @Test
    void aLineOfTwoOriginsPassesByEither() {
        assertThat(COUNTS.matching(filter(List.of(), List.of("live"), List.of())))
                .isEqualTo(5);
        assertThat(COUNTS.matching(filter(List.of(), List.of("carved", "deleted"), List.of())))
                .isEqualTo(10);
        assertThat(COUNTS.origins(filter(List.of(), List.of("live"), List.of())))
                .as("the others are still offered")
                .isEqualTo(Map.of("carved", 8L, "live", 5L, "deleted", 2L));
    }
}
