package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Which of the names that were surely a file's own it gets. */
class NamesTest {

    private static final Inode.Key TIDE = new Inode.Key(20, 7);

    private static Names.Name listed(String text, long transaction) {
        return new Names.Name(TIDE, text, false, transaction, true);
    }

    private static Names.Name left(String text, long transaction) {
        return new Names.Name(TIDE, text, false, transaction, false);
    }

    @Test
    void theOneThatWasListedNearestInTime() {
        List<Names.Name> own = List.of(listed("draft.txt", 4), listed("final.txt", 9), left("older.txt", 9));
        assertThat(Names.surest(own, 8)).map(Names.Name::text).contains("final.txt");
        assertThat(Names.surest(own, 5)).map(Names.Name::text).contains("draft.txt");
        assertThat(Names.surest(own, Names.NOW)).map(Names.Name::text).contains("final.txt");
    }

    @Test
    void whatIsMerelyLeftNamesItOnlyWhenNothingElseIsLeft() {
        assertThat(Names.surest(List.of(left("gauge.csv", 3), left("gauge.csv", Names.NOW)), 3))
                .map(Names.Name::text)
                .contains("gauge.csv");
        assertThat(Names.surest(List.of(left("gauge.csv", 3), left("other.csv", 3)), 3))
                .isEmpty();
        Names.Name inAnother = new Names.Name(new Inode.Key(20, 8), "gauge.csv", false, 3, false);
        assertThat(Names.surest(List.of(left("gauge.csv", 3), inAnother), 3))
                .as("a folder's number is another folder's, too")
                .isEmpty();
        assertThat(Names.surest(List.of(), 3)).isEmpty();
    }
}
