package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;

/**
 * A volume whose power went while two deleted files were still open: they stand in the list of orphans, and their
 * blocks are theirs.
 */
class OpenWhenDeletedTest {

    @Test
    void filesThatWereDeletedWhileOpenComeBackWholeWithTheirNames() throws IOException {
        FaultySource source = new FaultySource(Seeds.volume("ext4-open-when-deleted"));
        Collected told = new Collected();
        Families.open(source, new Range(0, source.size())).walk(told.walk(0));
        List<Finding> gone = told.findings().stream()
                .filter(f -> f.origin() == Origin.DELETED)
                .toList();
        assertThat(gone)
                .extracting(Finding::path)
                .containsExactlyInAnyOrder("/tide/open when it went.csv", "/tide/second.csv");
        assertThat(gone).allMatch(f -> f.prognosis() == Prognosis.WHOLE && f.size() == 36_112);
        byte[] content = new byte[36_112];
        Finding first = gone.stream()
                .filter(f -> f.name().startsWith("open"))
                .findFirst()
                .orElseThrow();
        assertThat(first.content(source).read(0, content, 0, content.length).isClean())
                .isTrue();
        assertThat(Hashes.sha256Hex(content, 0, content.length))
                .isEqualTo("3a98a564a665e7110ba5fb3b8d62cc9590982b8196edd36d6862a4e0cb9ae72e");
        assertThat(told.findings())
                .filteredOn(f -> f.origin() == Origin.LIVE)
                .extracting(Finding::path)
                .containsExactly("/tide/kept.txt");
    }
}
