package org.brantel.server.catalogue;

import jakarta.persistence.criteria.Expression;
import jakarta.persistence.criteria.Order;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.time.Instant;
import java.time.chrono.ChronoLocalDateTime;
import java.util.List;
import java.util.function.Function;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.jspecify.annotations.Nullable;

/**
 * In which order a catalogue is read, a page at a time, each from where the last one ended: an index of the same
 * expressions serves it, and no page has to count past the ones before it. What has nothing to go by comes last.
 */
final class LineOrder {

    /** What lines are ordered by, as the database has it. */
    private interface By<Y> {
        Expression<Y> of(Root<CatalogueLine> line, HibernateCriteriaBuilder b);
    }

    private record Key<Y extends Comparable<? super Y>>(
            By<Y> by, Function<CatalogueLine, @Nullable Y> of, boolean falls) {

        private List<Order> order(Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
            Expression<Y> key = by.of(root, b);
            return falls
                    ? List.of(b.desc(key, false), b.desc(root.get("id")))
                    : List.of(b.asc(key), b.asc(root.get("id")));
        }

        private @Nullable Predicate after(CatalogueLine last, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
            Y value = of.apply(last);
            if (value == null) {
                return null;
            }
            Expression<Y> key = by.of(root, b);
            // The first condition is one that an index can begin at.
            return falls
                    ? b.and(b.lessThanOrEqualTo(key, value), b.or(b.lessThan(key, value), beyond(last, root, b)))
                    : b.and(b.greaterThanOrEqualTo(key, value), b.or(b.greaterThan(key, value), beyond(last, root, b)));
        }

        private Predicate nothing(@Nullable CatalogueLine last, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
            Predicate none = b.isNull(by.of(root, b));
            return last == null ? none : b.and(none, beyond(last, root, b));
        }

        private Predicate beyond(CatalogueLine last, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
            return falls ? b.lessThan(root.get("id"), last.id()) : b.greaterThan(root.get("id"), last.id());
        }

        private boolean hasNothing(CatalogueLine line) {
            return of.apply(line) == null;
        }
    }

    private static final List<LineOrder> ALL = List.of(
            new LineOrder("", rising(headOf("path", 300), l -> head(l.path(), 300))),
            new LineOrder("name", rising(headOf("name", 100), l -> head(l.name(), 100))),
            new LineOrder("made", rising((line, b) -> line.<ChronoLocalDateTime<?>>get("made"), CatalogueLine::made)),
            new LineOrder("size", falling((line, b) -> line.get("size"), CatalogueLine::size)),
            new LineOrder("modified", falling((line, b) -> line.<Instant>get("modified"), CatalogueLine::modified)),
            new LineOrder("score", falling((line, b) -> line.get("score"), CatalogueLine::score)));

    private final String word;
    private final Key<?> key;

    private LineOrder(String word, Key<?> key) {
        this.word = word;
        this.key = key;
    }

    /**
     * By place where nobody says.
     *
     * @param into whether what content says of itself may be shown; without that, days are those of the records
     */
    static LineOrder of(@Nullable String word, boolean into) {
        if (!into && "made".equals(word)) {
            return of("modified", true);
        }
        return ALL.stream().filter(o -> o.word.equals(word)).findFirst().orElse(ALL.get(0));
    }

    List<Order> by(Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
        return key.order(root, b);
    }

    /** Whether a line has nothing to go by. */
    boolean hasNothing(CatalogueLine line) {
        return key.hasNothing(line);
    }

    /** What comes after a line and has something to go by; null after one that has nothing. */
    @Nullable
    Predicate after(CatalogueLine last, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
        return key.after(last, root, b);
    }

    /** What has nothing to go by, from a line of the same kind on. */
    Predicate rest(CatalogueLine last, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
        return key.nothing(key.hasNothing(last) ? last : null, root, b);
    }

    private static <Y extends Comparable<? super Y>> Key<Y> rising(By<Y> by, Function<CatalogueLine, @Nullable Y> of) {
        return new Key<>(by, of, false);
    }

    private static <Y extends Comparable<? super Y>> Key<Y> falling(By<Y> by, Function<CatalogueLine, @Nullable Y> of) {
        return new Key<>(by, of, true);
    }

    private static By<String> headOf(String column, int letters) {
        return (line, b) -> b.sql("left(?, " + letters + ")", String.class, line.get(column));
    }

    private static @Nullable String head(@Nullable String text, int letters) {
        return text == null || text.codePointCount(0, text.length()) <= letters
                ? text
                : text.substring(0, text.offsetByCodePoints(0, letters));
    }
}
