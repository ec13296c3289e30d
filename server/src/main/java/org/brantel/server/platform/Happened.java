package org.brantel.server.platform;

/**
 * Something was done to a case. It is told within the transaction that did it, so that the entry in custody stands when
 * and only when what it speaks of does.
 *
 * @param who    a person, or {@link Happenings#MACHINE}
 * @param what   what was done, in words
 * @param detail the facts behind it; may be empty
 */
public record Happened(String caseNumber, String who, String what, String detail) {

    public Happened {
        detail = detail == null ? "" : detail;
    }
}
