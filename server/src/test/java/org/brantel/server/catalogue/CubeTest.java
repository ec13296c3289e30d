package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.brantel.core.finding.Prognosis;
import org.junit.jupiter.api.Test;

class CubeTest {

    private static final Cube CUBE = new Cube(List.of(
            new Cube.Cell("jpg", List.of("carved", "live"), Prognosis.WHOLE, 5),
            new Cube.Cell("jpg", List.of("carved"), Prognosis.DOUBTFUL, 3),
            new Cube.Cell("pdf", List.of("deleted"), Prognosis.WHOLE, 2)));

    private static CatalogueFilter filter(List<String> kinds, List<String> origins, List<String> prognoses) {
        return new CatalogueFilter(kinds, origins, prognoses, null, null, null, false, null);
    }

    @Test
    void eachConditionIsCountedAsIfItWereNotAsked() {
        CatalogueFilter wholePictures = filter(List.of("jpg"), List.of(), List.of("whole"));
        assertThat(CUBE.all()).isEqualTo(10);
        assertThat(CUBE.matching(wholePictures)).isEqualTo(5);
        assertThat(CUBE.kinds(wholePictures)).isEqualTo(Map.of("jpg", 5L, "pdf", 2L));
        assertThat(CUBE.prognoses(wholePictures)).isEqualTo(Map.of("whole", 5L, "doubtful", 3L));
        assertThat(CUBE.origins(wholePictures)).isEqualTo(Map.of("carved", 5L, "live", 5L));
    }

    @Test
    void aLineOfTwoOriginsPassesByEither() {
        assertThat(CUBE.matching(filter(List.of(), List.of("live"), List.of()))).isEqualTo(5);
        assertThat(CUBE.matching(filter(List.of(), List.of("carved", "deleted"), List.of())))
                .isEqualTo(10);
        assertThat(CUBE.origins(filter(List.of(), List.of("live"), List.of())))
                .as("the others are still offered")
                .isEqualTo(Map.of("carved", 8L, "live", 5L, "deleted", 2L));
    }
}
