package org.brantel.server.catalogue;

import jakarta.persistence.criteria.CommonAbstractCriteria;
import jakarta.persistence.criteria.Expression;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.persistence.criteria.Subquery;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.brantel.core.question.Condition;
import org.brantel.core.question.Question;
import org.brantel.server.platform.LikePattern;
import org.brantel.server.platform.LineNumbers;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.jspecify.annotations.Nullable;

/**
 * A question that is asked of a catalogue, as the database is asked it.
 *
 * @param into    whether what content says of itself may be looked at
 * @param folders the folders that a condition is about; one that is about too many has none here
 * @param likes   what lines are like that something is to be like, by their numbers
 * @param beside  what records beside the catalogue say of conditions
 * @param media   the scan sessions that looked into images of each device of the case
 */
record Understood(
        @Nullable Question question,
        boolean into,
        Map<Condition, List<Long>> folders,
        Map<Long, Likeness> likes,
        Map<Condition, List<Beside>> beside,
        Map<Long, List<Long>> media) {

    static final Understood NOTHING = new Understood(null, false, Map.of(), Map.of(), Map.of(), Map.of());

    /**
     * Lines of which records beside the catalogue say what a condition asks.
     *
     * @param lines    null where they are too many to be named one by one
     * @param question that they answer
     */
    record Beside(@Nullable List<Long> lines, LineNumbers question) {}

    /**
     * @param madeWith a piece of what content says of itself, as it is kept; null where it says nothing of that
     * @param folder   null where no record names it
     */
    record Likeness(
            String kind,
            @Nullable String madeWith,
            @Nullable Long folder) {}

    /** The condition as a whole; null where nothing is asked. */
    @Nullable
    Predicate predicate(
            long caseId, Root<CatalogueLine> root, CommonAbstractCriteria query, HibernateCriteriaBuilder b) {
        return question == null ? null : new Writer(caseId, root, query, b).of(question.asked(), false);
    }

    /** Writes one question into one query. */
    private final class Writer {

        private final long caseId;
        private final Root<CatalogueLine> root;
        private final CommonAbstractCriteria query;
        private final HibernateCriteriaBuilder b;

        Writer(long caseId, Root<CatalogueLine> root, CommonAbstractCriteria query, HibernateCriteriaBuilder b) {
            this.caseId = caseId;
            this.root = root;
            this.query = query;
            this.b = b;
        }

        /** @param turned whether the opposite is meant, so that what is not known must not hold */
        Predicate of(Condition c, boolean turned) {
            if (c instanceof Condition.Every e) {
                return b.and(all(e.of(), turned));
            }
            if (c instanceof Condition.Any a) {
                return b.or(all(a.of(), turned));
            }
            if (c instanceof Condition.Not n) {
                return b.not(of(n.of(), !turned));
            }
            if (c instanceof Condition.Text t) {
                return text(t, turned);
            }
            if (c instanceof Condition.Folder f) {
                return in(f, turned);
            }
            if (c instanceof Condition.Called n) {
                return called(n, turned);
            }
            if (c instanceof Condition.Made m) {
                return into
                        ? within("made", start(m.from()), end(m.to()), turned)
                        : within("modified", instant(start(m.from())), instant(end(m.to())), turned);
            }
            if (c instanceof Condition.Deleted d) {
                return within("deleted", instant(start(d.from())), instant(end(d.to())), turned);
            }
            return plain(c, turned);
        }

        private Predicate[] all(List<Condition> of, boolean turned) {
            return of.stream().map(c -> of(c, turned)).toArray(Predicate[]::new);
        }

        private Predicate plain(Condition c, boolean turned) {
            if (c instanceof Condition.Kind k) {
                return root.get("kind").in(k.codes());
            }
            if (c instanceof Condition.Size s) {
                return size(s);
            }
            if (c instanceof Condition.Found f) {
                return holds("origins", f.origin().word());
            }
            if (c instanceof Condition.Intact i) {
                return root.get("prognosis").in(i.prognoses());
            }
            if (c instanceof Condition.MadeWith m) {
                return matches("about", "\"device\":\"[^\"]*" + plainly(m.device()));
            }
            if (c instanceof Condition.Trashed) {
                return b.and(b.isNotNull(root.get("trashedFrom")), b.notEqual(root.get("trashedFrom"), ""));
            }
            if (c instanceof Condition.Nameless) {
                return b.isNull(root.get("path"));
            }
            if (c instanceof Condition.Wanted w) {
                return wanted(w);
            }
            if (c instanceof Condition.InVolume v) {
                Predicate volume = known("volume", b.equal(root.get("volume"), v.number()), turned);
                return v.session() == null
                        ? volume
                        : b.and(volume, known("toldBy", b.equal(root.get("toldBy"), v.session()), turned));
            }
            if (c instanceof Condition.OnDevice d) {
                return b.or(media.getOrDefault(d.device(), List.of()).stream()
                        .map(session -> CatalogueFilter.isSeen(query, root, b, session))
                        .toArray(Predicate[]::new));
            }
            if (c instanceof Condition.InSession s) {
                return CatalogueFilter.isSeen(query, root, b, s.session());
            }
            if (c instanceof Condition.Chosen) {
                return Choices.isChosen(caseId, root, b);
            }
            if (c instanceof Condition.Like l) {
                return like(l, turned);
            }
            Predicate said = beside(c);
            return said == null ? b.disjunction() : said;
        }

        private Predicate reads(String column, String pattern, boolean turned) {
            return known(column, b.ilike(root.get(column), pattern, LikePattern.ESCAPE), turned);
        }

        /** What records beside the catalogue say of lines; null where they say it of none. */
        private @Nullable Predicate beside(Condition c) {
            List<Predicate> any = beside.getOrDefault(c, List.of()).stream()
                    .map(this::of)
                    .filter(Objects::nonNull)
                    .toList();
            return any.isEmpty() ? null : b.or(any.toArray(Predicate[]::new));
        }

        private @Nullable Predicate of(Beside it) {
            if (it.lines() != null) {
                return it.lines().isEmpty() ? null : root.get("id").in(it.lines());
            }
            List<Expression<?>> values = new ArrayList<>();
            values.add(root.get("id"));
            it.question().values().forEach(v -> values.add(b.literal(v)));
            return b.isTrue(
                    b.sql("(? in (" + it.question().sql() + "))", Boolean.class, values.toArray(Expression<?>[]::new)));
        }

        /** What is not known is neither so nor otherwise to the database; to people it is not so. */
        private Predicate known(String column, Predicate holds, boolean turned) {
            return turned ? b.and(b.isNotNull(root.get(column)), holds) : holds;
        }

        private <T> Predicate holds(String list, T one) {
            return b.arrayContains(root.<T[]>get(list), one);
        }

        private Predicate size(Condition.Size s) {
            Expression<Long> size = root.get("size");
            return s.most() == Long.MAX_VALUE
                    ? b.greaterThanOrEqualTo(size, s.least())
                    : s.least() == 0
                            ? b.lessThanOrEqualTo(size, s.most())
                            : b.and(b.greaterThanOrEqualTo(size, s.least()), b.lessThanOrEqualTo(size, s.most()));
        }

        private Predicate wanted(Condition.Wanted w) {
            Long[] lines = w.lines().toArray(Long[]::new);
            Predicate fits = b.arrayIntersects(root.<Long[]>get("wanted"), lines);
            return w.sure() ? fits : b.or(fits, b.arrayIntersects(root.<Long[]>get("mayFit"), lines));
        }

        private <T extends Comparable<? super T>> Predicate within(
                String column, @Nullable T from, @Nullable T before, boolean turned) {
            List<Predicate> both = new ArrayList<>();
            if (from != null) {
                both.add(b.greaterThanOrEqualTo(root.<T>get(column), from));
            }
            if (before != null) {
                both.add(b.lessThan(root.<T>get(column), before));
            }
            return known(column, b.and(both.toArray(Predicate[]::new)), turned);
        }

        private static @Nullable LocalDateTime start(@Nullable LocalDate day) {
            return day == null ? null : day.atStartOfDay();
        }

        private static @Nullable LocalDateTime end(@Nullable LocalDate day) {
            return day == null ? null : day.plusDays(1).atStartOfDay();
        }

        private static @Nullable Instant instant(@Nullable LocalDateTime time) {
            return time == null ? null : time.toInstant(ZoneOffset.UTC);
        }

        private Predicate text(Condition.Text t, boolean turned) {
            List<Predicate> any = new ArrayList<>();
            any.add(reads("name", LikePattern.containing(t.words()), turned));
            any.add(reads("elsewhere", LikePattern.containing(t.words()), turned));
            if (into) {
                any.add(reads("suggestedName", LikePattern.containing(t.words()), turned));
                any.add(reads("about", LikePattern.containing(t.words()), turned));
            }
            if (t.words().indexOf('/') >= 0) {
                any.add(reads("path", LikePattern.containing(t.words()), turned));
            }
            Stream.of(folders(t, turned), beside(t)).filter(Objects::nonNull).forEach(any::add);
            return b.or(any.toArray(Predicate[]::new));
        }

        private Predicate in(Condition.Folder f, boolean turned) {
            Predicate folder = folders(f, turned);
            return folder == null ? b.disjunction() : folder;
        }

        /** Null where no folder is meant. */
        private @Nullable Predicate folders(Condition about, boolean turned) {
            List<Long> named = folders.get(about);
            if (named != null) {
                return named.isEmpty()
                        ? null
                        : known("folderId", root.get("folderId").in(named), turned);
            }
            Subquery<Long> called = query.subquery(Long.class);
            Root<CatalogueFolder> folder = called.from(CatalogueFolder.class);
            FolderPath path = FolderPath.of(about);
            Expression<String> closed = b.concat(folder.<String>get("path"), "/");
            Predicate[] all = {
                b.equal(folder.get("caseId"), caseId),
                b.ilike(folder.get("path"), path.part(), LikePattern.ESCAPE),
                path.whole() == null ? b.conjunction() : b.ilike(closed, path.whole(), LikePattern.ESCAPE)
            };
            called.select(folder.get("id")).where(all);
            return known("folderId", root.get("folderId").in(called), turned);
        }

        private Predicate called(Condition.Called n, boolean turned) {
            String pattern = LikePattern.wild(n.pattern());
            List<Predicate> any = new ArrayList<>();
            any.add(reads("name", pattern, turned));
            if (into) {
                any.add(reads("suggestedName", pattern, turned));
            }
            Predicate elsewhere = matches("elsewhere", lastName(n.pattern()));
            any.add(known("elsewhere", elsewhere, turned));
            Predicate given = beside(n);
            if (given != null) {
                any.add(given);
            }
            return b.or(any.toArray(Predicate[]::new));
        }

        /** A regular expression of the database, in any case. */
        private Predicate matches(String column, String regex) {
            return b.isTrue(b.sql("(? ~* ?)", Boolean.class, root.get(column), b.literal(regex)));
        }

        private Predicate like(Condition.Like l, boolean turned) {
            Likeness it = likes.get(l.line());
            if (it == null) {
                return b.disjunction();
            }
            Predicate kind = b.equal(root.get("kind"), it.kind());
            if (it.madeWith() != null) {
                return b.and(kind, reads("about", LikePattern.containing(it.madeWith()), turned));
            }
            return it.folder() == null
                    ? b.and(kind, b.isNull(root.get("folderId")))
                    : b.and(kind, known("folderId", b.equal(root.get("folderId"), it.folder()), turned));
        }
    }

    /** A pattern of a name as one that the last name of some path in a list has. */
    private static String lastName(String pattern) {
        StringBuilder regex = new StringBuilder("(^|[/\\\\\\n])");
        pattern.codePoints().forEach(c -> {
            String letter = Character.toString(c);
            regex.append(letter.equals("*") ? "[^/\\\\\\n]*" : letter.equals("?") ? "[^/\\\\\\n]" : plainly(letter));
        });
        return regex.append("($|\\n)").toString();
    }

    /** A text in a regular expression, as the letters that it is. */
    private static String plainly(String text) {
        return META.matcher(text).replaceAll("\\\\$0");
    }

    private static final Pattern META = Pattern.compile("[^\\p{L}\\p{N} ]");

    /**
     * What the path of a folder is like.
     *
     * @param part  stands in the path; an index serves it
     * @param whole stands in the path with a stroke at its end; null where that is no matter
     */
    record FolderPath(String part, @Nullable String whole) {

        static FolderPath of(Condition about) {
            if (about instanceof Condition.Text t) {
                return new FolderPath(LikePattern.containing(t.words()), null);
            }
            Condition.Folder f = (Condition.Folder) about;
            String name = LikePattern.wild(f.name());
            return new FolderPath("%" + name + "%", f.whole() ? "%/" + name + "/%" : null);
        }
    }
}
