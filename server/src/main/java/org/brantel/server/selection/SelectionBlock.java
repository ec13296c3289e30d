package org.brantel.server.selection;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;

/** A block of a set of lines: bit N % 8 of byte N / 8 is line {@code block * 8192 + N}. */
@Entity
@Table(name = "selection_block")
@IdClass(SelectionBlock.Key.class)
class SelectionBlock {

    record Key(long setId, long block) implements Serializable {}

    /** A change, a kept selection, or what is chosen of a case: that set has the case's number, below zero. */
    @Id
    private long setId;

    @Id
    private long block;

    @Column(updatable = false)
    private long caseId;

    private byte[] bits;

    protected SelectionBlock() {}

    SelectionBlock(long caseId, long setId, long block, byte[] bits) {
        this.caseId = caseId;
        this.setId = setId;
        this.block = block;
        this.bits = bits;
    }

    long setId() {
        return setId;
    }

    long block() {
        return block;
    }

    byte[] bits() {
        return bits;
    }

    void hold(byte[] now) {
        bits = now;
    }
}
