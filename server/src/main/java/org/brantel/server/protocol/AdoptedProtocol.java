package org.brantel.server.protocol;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** A protocol that a manager adopted; the newest counts. */
@Entity
@Table(name = "adopted_protocol")
class AdoptedProtocol {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String name;

    @Column(updatable = false)
    private String text;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    protected AdoptedProtocol() {}

    AdoptedProtocol(String name, String text, String who, Instant at) {
        this.name = name;
        this.text = text;
        this.who = who;
        this.at = at;
    }

    long id() {
        return id;
    }

    String text() {
        return text;
    }
}

interface AdoptedProtocols extends JpaRepository<AdoptedProtocol, Long> {

    Optional<AdoptedProtocol> findFirstByOrderByIdDesc();
}
