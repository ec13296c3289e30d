package org.brantel.core.custody;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class CustodyChainTest {

    private final List<CustodyEntry> entries = new ArrayList<>();

    @BeforeEach
    void write() {
        String previous = CustodyEntry.START;
        for (int i = 1; i <= 6; i++) {
            CustodyEntry entry = CustodyEntry.next(
                    "BR-2611-0001",
                    i,
                    previous,
                    Instant.parse("2026-11-24T09:00:00.123456Z").plusSeconds(i),
                    "Una Farrow",
                    "did thing " + i,
                    "detail " + i);
            entries.add(entry);
            previous = entry.hash();
        }
    }

    private List<CustodyChain.Tear> check() {
        return CustodyChain.check(entries, 6, last());
    }

    private static String lastOf(List<CustodyEntry> list) {
        return list.get(list.size() - 1).hash();
    }

    private String last;

    private String last() {
        if (last == null) {
            last = lastOf(entries);
        }
        return last;
    }

    @Test
    void anUntouchedRecordMeets() {
        assertThat(check()).isEmpty();
        assertThat(CustodyChain.check(List.of(), 0, CustodyEntry.START)).isEmpty();
    }

    @Test
    void aChangeOfAnyFieldIsNoticed() {
        last();
        CustodyEntry e = entries.get(2);
        List<CustodyEntry> changed = List.of(
                new CustodyEntry(3, "BR-2611-0002", e.at(), e.who(), e.what(), e.detail(), e.previous(), e.hash()),
                new CustodyEntry(
                        3, e.caseNumber(), e.at().plusMillis(1), e.who(), e.what(), e.detail(), e.previous(), e.hash()),
                new CustodyEntry(3, e.caseNumber(), e.at(), "Tom Gale", e.what(), e.detail(), e.previous(), e.hash()),
                new CustodyEntry(3, e.caseNumber(), e.at(), e.who(), "did nothing", e.detail(), e.previous(), e.hash()),
                new CustodyEntry(3, e.caseNumber(), e.at(), e.who(), e.what(), "", e.previous(), e.hash()));
        for (CustodyEntry other : changed) {
            entries.set(2, other);
            assertThat(check()).as("%s", other).anyMatch(t -> t.words().contains("Entry 3 was changed"));
        }
    }

    @Test
    void aMissingEntryIsNamed() {
        last();
        entries.remove(3);
        assertThat(check()).anyMatch(t -> t.after() == 3 && t.words().equals("Entry 4 is missing."));
        entries.remove(3);
        assertThat(check()).anyMatch(t -> t.words().equals("Entries 4 to 5 are missing."));
    }

    @Test
    void anEndThatWasCutOffIsMissed() {
        last();
        entries.remove(5);
        assertThat(check()).anyMatch(t -> t.words().contains("ends at entry 5, but 6 were written"));
        entries.clear();
        assertThat(check()).anyMatch(t -> t.words().contains("ends at entry 0"));
    }

    @Test
    void anEntryThatWasForgedWithItsOwnHashDoesNotMeetTheNext() {
        last();
        CustodyEntry before = entries.get(1);
        entries.set(
                2,
                CustodyEntry.next("BR-2611-0001", 3, before.hash(), Instant.EPOCH, "Nobody", "nothing happened", ""));
        assertThat(check()).anyMatch(t -> t.after() == 3 && t.words().startsWith("Entry 4 says it follows"));
    }

    @Test
    void fieldsCannotRunIntoEachOther() {
        CustodyEntry a = CustodyEntry.next("C", 1, CustodyEntry.START, Instant.EPOCH, "ab", "c", "");
        CustodyEntry b = CustodyEntry.next("C", 1, CustodyEntry.START, Instant.EPOCH, "a", "bc", "");
        assertThat(a.hash()).isNotEqualTo(b.hash());
    }
}
