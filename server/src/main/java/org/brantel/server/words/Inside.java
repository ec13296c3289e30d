package org.brantel.server.words;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The words of one line, as far as they were read. */
@Entity
@Table(name = "catalogue_words")
class Inside {

    @Id
    private long lineId;

    private long caseId;
    private String content;

    @Enumerated(EnumType.STRING)
    private Outcome outcome;

    private String said;

    protected Inside() {}

    /** @param content tells which bytes they were read from */
    Inside(long lineId, long caseId, String content, WordsIn words) {
        this.lineId = lineId;
        this.caseId = caseId;
        this.content = content;
        this.outcome = words.outcome();
        this.said = words.said();
    }

    long lineId() {
        return lineId;
    }

    Outcome outcome() {
        return outcome;
    }

    boolean isOf(String bytes) {
        return content.equals(bytes);
    }
}
