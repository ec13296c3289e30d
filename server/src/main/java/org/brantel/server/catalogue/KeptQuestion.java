package org.brantel.server.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A question that somebody wants to ask of a case again. */
@Entity
@Table(name = "catalogue_question")
class KeptQuestion {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private long caseId;
    private String words;
    private String keptBy;
    private Instant keptAt;

    protected KeptQuestion() {}

    KeptQuestion(long caseId, String words, String keptBy, Instant keptAt) {
        this.caseId = caseId;
        this.words = words;
        this.keptBy = keptBy;
        this.keptAt = keptAt;
    }

    String words() {
        return words;
    }

    KeptView view() {
        return new KeptView(id, words, keptBy, keptAt);
    }

    /** A question that is kept. */
    record KeptView(long id, String words, String keptBy, Instant keptAt) {}
}
