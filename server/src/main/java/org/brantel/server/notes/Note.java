package org.brantel.server.notes;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

@Entity
@Table(name = "case_note")
class Note {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String kind;

    @Column(updatable = false)
    private String words;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    protected Note() {}

    Note(Long caseId, String kind, String words, String who, Instant at) {
        this.caseId = caseId;
        this.kind = kind;
        this.words = words;
        this.who = who;
        this.at = at;
    }

    long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    Notes.View view() {
        return new Notes.View(id, kind, words, who, at);
    }
}

@Entity
@Table(name = "mention")
class Mention {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long noteId;

    @Column(updatable = false)
    private String login;

    private @Nullable Instant seenAt;

    protected Mention() {}

    Mention(Long noteId, String login) {
        this.noteId = noteId;
        this.login = login;
    }

    long id() {
        return id;
    }

    Long noteId() {
        return noteId;
    }

    String login() {
        return login;
    }

    void seen(@Nullable Instant at) {
        seenAt = at;
    }
}

interface NoteRecords extends JpaRepository<Note, Long> {

    List<Note> findByCaseIdOrderByIdDesc(Long caseId);
}

interface Mentions extends JpaRepository<Mention, Long> {

    List<Mention> findByLoginAndSeenAtIsNullOrderById(String login);
}
