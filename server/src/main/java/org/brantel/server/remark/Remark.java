package org.brantel.server.remark;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.question.Whose;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;

/** What the lab remarked on one line; one that says nothing any more still tells who took it back. */
@Entity
@Table(name = "catalogue_remark")
class Remark {

    private static final int MOST_TAGS = 20;

    @Id
    private long lineId;

    @Column(updatable = false)
    private long caseId;

    @Enumerated(EnumType.STRING)
    private @Nullable Whose whose;

    private String[] tags;
    private @Nullable String called;
    private @Nullable String note;
    private String who;
    private Instant at;

    protected Remark() {}

    Remark(long lineId, long caseId, String who, Instant at) {
        this.lineId = lineId;
        this.caseId = caseId;
        this.tags = new String[0];
        this.who = who;
        this.at = at;
    }

    long lineId() {
        return lineId;
    }

    @Nullable
    String called() {
        return called;
    }

    boolean isEmpty() {
        return whose == null && tags.length == 0 && called == null && note == null;
    }

    boolean isOf(Instant change) {
        return at.equals(change);
    }

    RemarkViews.Remark view() {
        return new RemarkViews.Remark(whose, List.of(tags), called, note, who, at);
    }

    RemarkViews.Before before() {
        return new RemarkViews.Before(lineId, whose, List.of(tags), called, note);
    }

    /** @return whether anything is otherwise than before */
    boolean change(RemarkViews.Remarking to, String by, Instant when) {
        RemarkViews.Before before = before();
        if (to.whose() != null) {
            whose = to.whose().whose();
        }
        if (to.untag() != null) {
            String gone = to.untag().strip();
            tags = Stream.of(tags).filter(t -> !t.equalsIgnoreCase(gone)).toArray(String[]::new);
        }
        if (to.tag() != null && !to.tag().isBlank()) {
            tag(to.tag().strip());
        }
        if (to.called() != null) {
            called = orNull(to.called());
        }
        if (to.note() != null) {
            note = orNull(to.note());
        }
        return changed(before, by, when);
    }

    private boolean changed(RemarkViews.Before before, String by, Instant when) {
        if (before.equals(before())) {
            return false;
        }
        who = by;
        at = when;
        return true;
    }

    private void tag(String tag) {
        if (Stream.of(tags).anyMatch(tag::equalsIgnoreCase)) {
            return;
        }
        if (tags.length == MOST_TAGS) {
            throw Refusal.conflict("A finding has at most " + MOST_TAGS + " tags; take one away first.");
        }
        tags = Stream.concat(Stream.of(tags), Stream.of(tag))
                .sorted(String.CASE_INSENSITIVE_ORDER)
                .toArray(String[]::new);
    }

    private static @Nullable String orNull(String said) {
        return said.isBlank() ? null : said.strip();
    }

    /** Is as it was. */
    void back(RemarkViews.Before was, String by, Instant when) {
        RemarkViews.Before before = before();
        whose = was.whose();
        tags = was.tags().stream().limit(MOST_TAGS).toArray(String[]::new);
        called = was.called();
        note = was.note();
        changed(before, by, when);
    }

    /** Another line turned out to be the same file: what was said of either is said of this one. */
    void takeIn(Remark other) {
        whose = whose != null ? whose : other.whose;
        called = called != null ? called : other.called;
        for (String tag : other.tags) {
            if (tags.length < MOST_TAGS) {
                tag(tag);
            }
        }
        String both = Stream.of(note, other.note)
                .filter(n -> n != null && !n.isEmpty())
                .distinct()
                .collect(Collectors.joining("\n"));
        note = both.isEmpty() ? null : both;
        if (other.at.isAfter(at)) {
            who = other.who;
            at = other.at;
        }
    }

    /** The same remark on another line. */
    Remark on(long line) {
        Remark moved = new Remark(line, caseId, who, at);
        moved.whose = whose;
        moved.tags = tags.clone();
        moved.called = called;
        moved.note = note;
        return moved;
    }
}
