package org.brantel.server.catalogue;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.persistence.criteria.CommonAbstractCriteria;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.Expression;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.persistence.criteria.Subquery;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.wanted.Fit;
import org.brantel.server.platform.Refusal;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.jspecify.annotations.Nullable;

/**
 * Which lines of a catalogue are meant. Within one condition any value does; all conditions must hold.
 *
 * @param kinds  by their codes, or as people name them together, like {@code image}
 * @param q      text in the name or the path
 * @param in     where it stands; null for anywhere
 * @param asked  which wanted line it answers; null for any or none
 * @param by     which scan sessions found it, or null
 */
record CatalogueFilter(
        List<String> kinds,
        List<String> origins,
        List<String> prognoses,
        @Nullable String q,
        @JsonUnwrapped @Nullable Asked asked,
        boolean selectedOnly,
        @Nullable @Valid BySession by,
        @Nullable @Valid Place in) {

    private static final List<String> NAMES = List.of("name", "elsewhere");
    private static final char ESCAPE = '\\';
    /** So many sessions of one case are thinkable. */
    static final int SESSIONS = 500;

    static final String FOLDERS = "A place is one folder, as at most 500 sessions have it.";
    static final String VOLUME = "\\d{1,18}:\\d{1,9}";
    static final CatalogueFilter ALL =
            new CatalogueFilter(List.of(), List.of(), List.of(), null, null, false, null, null);

    /**
     * @param wanted a wanted line that it fits or may fit, or null
     * @param fit    {@code "fits"} or {@code may-fit}, where only one of the two is meant
     */
    record Asked(@Nullable Long wanted, @Nullable String fit) {

        private Predicate predicate(long line, Root<CatalogueLine> root, HibernateCriteriaBuilder b) {
            Predicate fits = holds(root, b, "wanted", line);
            Predicate may = holds(root, b, "mayFit", line);
            return fit == null || fit.isEmpty() ? b.or(fits, may) : verdict(fit) == Fit.Verdict.FITS ? fits : may;
        }
    }

    /**
     * What is looked at for a filter.
     *
     * @param into    whether texts may be looked for in what content says of itself
     * @param folders whose path has the text; null for so many that the path itself is asked
     * @param volumes that are meant as wholes by the place; none where it is a folder in one
     */
    record Reach(long caseId, boolean into, @Nullable List<Long> folders, List<Volume> volumes) {}

    /** A volume, as a session numbers it. */
    record Volume(long toldBy, int number) {

        private Predicate predicate(Root<CatalogueLine> root, CriteriaBuilder b) {
            return b.and(b.equal(root.get("toldBy"), toldBy), b.equal(root.get("volume"), number));
        }
    }

    /**
     * Where a line stands.
     *
     * @param folders  the same folder as each session has it
     * @param below    what lies in folders below them as well
     * @param nameless instead: what no record names
     */
    record Place(
            @Nullable @Size(max = SESSIONS, message = FOLDERS)
            List<@NotNull Long> folders,

            boolean below,
            boolean nameless) {

        private boolean isAnywhere() {
            return !nameless && (folders == null || folders.isEmpty());
        }

        private Predicate predicate(
                Reach reach, Root<CatalogueLine> root, CommonAbstractCriteria query, HibernateCriteriaBuilder b) {
            if (nameless || folders == null) {
                return b.isNull(root.get("folderId"));
            }
            if (!below) {
                return root.get("folderId").in(folders);
            }
            if (!reach.volumes().isEmpty()) {
                return b.and(
                        b.isNotNull(root.get("folderId")),
                        b.or(reach.volumes().stream()
                                .map(v -> v.predicate(root, b))
                                .toArray(Predicate[]::new)));
            }
            Subquery<Long> inside = query.subquery(Long.class);
            Root<CatalogueFolder> folder = inside.from(CatalogueFolder.class);
            inside.select(folder.get("id"))
                    .where(b.arrayIntersects(folder.<Long[]>get("lineage"), folders.toArray(Long[]::new)));
            return root.get("folderId").in(inside);
        }
    }

    /**
     * What scan sessions say of it.
     *
     * @param foundBy    a session that found it, or null
     * @param notFoundBy a session that did not, or null
     * @param worseIn    a session that found it, but not as well as {@code foundBy} did; or null
     * @param volumes    one volume, as each session numbers it: {@code 3:1} is the first volume of session 3
     */
    record BySession(
            @Nullable Long foundBy,
            @Nullable Long notFoundBy,
            @Nullable Long worseIn,

            @Nullable
            List<@Pattern(regexp = VOLUME, message = "A volume is a session and its number, like 3:1.") String>
                    volumes) {

        private boolean isAny() {
            return foundBy == null && notFoundBy == null && worseIn == null && (volumes == null || volumes.isEmpty());
        }

        List<Predicate> predicates(Root<CatalogueLine> root, CommonAbstractCriteria query, CriteriaBuilder b) {
            List<Predicate> all = new ArrayList<>();
            if (foundBy != null) {
                all.add(isSeen(query, root, b, foundBy));
            }
            if (notFoundBy != null) {
                all.add(b.not(isSeen(query, root, b, notFoundBy)));
            }
            if (worseIn != null && foundBy != null) {
                all.add(b.lessThan(rank(query, root, b, foundBy), rank(query, root, b, worseIn)));
            }
            if (volumes != null && !volumes.isEmpty()) {
                all.add(b.or(volumes.stream().map(v -> in(v, root, b)).toArray(Predicate[]::new)));
            }
            return all;
        }

        private static Predicate in(String volume, Root<CatalogueLine> root, CriteriaBuilder b) {
            String[] parts = volume.split(":");
            return b.and(
                    b.equal(root.get("toldBy"), Long.valueOf(parts[0])),
                    b.equal(root.get("volume"), Integer.valueOf(parts[1])));
        }

        private static Predicate isSeen(
                CommonAbstractCriteria query, Root<CatalogueLine> root, CriteriaBuilder b, long session) {
            return b.exists(of(query, root, b, session));
        }

        /** How well a session found it, the smaller the better. */
        private static Expression<Integer> rank(
                CommonAbstractCriteria query, Root<CatalogueLine> root, CriteriaBuilder b, long session) {
            return of(query, root, b, session);
        }

        private static Subquery<Integer> of(
                CommonAbstractCriteria query, Root<CatalogueLine> root, CriteriaBuilder b, long session) {
            Subquery<Integer> ranks = query.subquery(Integer.class);
            Root<CatalogueSeen> seen = ranks.from(CatalogueSeen.class);
            return ranks.select(seen.get("rank"))
                    .where(b.equal(seen.get("lineId"), root.get("id")), b.equal(seen.get("sessionId"), session));
        }
    }

    CatalogueFilter {
        kinds = kinds == null
                ? List.of()
                : kinds.stream()
                        .flatMap(k -> Kinds.meantBy(k).stream())
                        .distinct()
                        .toList();
        origins = origins == null ? List.of() : origins;
        prognoses = prognoses == null ? List.of() : prognoses;
    }

    /** The same filter without the conditions that counts stand beside. */
    CatalogueFilter withoutFacets() {
        return new CatalogueFilter(List.of(), List.of(), List.of(), q, asked, selectedOnly, by, in);
    }

    /** Whether every line passes. */
    boolean isAll() {
        return kinds.isEmpty()
                && origins.isEmpty()
                && prognoses.isEmpty()
                && (q == null || q.isBlank())
                && (asked == null || asked.wanted() == null)
                && !selectedOnly
                && (in == null || in.isAnywhere())
                && (by == null || by.isAny());
    }

    /** What the path of a folder is like that has the text; null where no text is asked for. */
    @Nullable
    String folderPattern() {
        return q == null || q.isBlank() ? null : like(q.strip());
    }

    List<Predicate> predicates(
            Reach reach, Root<CatalogueLine> root, CommonAbstractCriteria query, HibernateCriteriaBuilder b) {
        List<Predicate> all = new ArrayList<>();
        all.add(b.equal(root.get("caseId"), reach.caseId()));
        all.add(b.isNull(root.get("mergedInto")));
        if (!kinds.isEmpty()) {
            all.add(root.get("kind").in(kinds));
        }
        if (!origins.isEmpty()) {
            all.add(b.or(origins.stream().map(o -> holds(root, b, "origins", o)).toArray(Predicate[]::new)));
        }
        if (!prognoses.isEmpty()) {
            all.add(root.get("prognosis")
                    .in(prognoses.stream().map(CatalogueFilter::prognosis).toList()));
        }
        if (q != null && !q.isBlank()) {
            all.add(says(q.strip(), reach, root, query, b));
        }
        if (in != null && !in.isAnywhere()) {
            all.add(in.predicate(reach, root, query, b));
        }
        if (asked != null && asked.wanted() != null) {
            all.add(asked.predicate(asked.wanted(), root, b));
        }
        if (selectedOnly) {
            Subquery<Long> chosen = query.subquery(Long.class);
            Root<CatalogueChoice> choice = chosen.from(CatalogueChoice.class);
            chosen.select(choice.get("lineId"))
                    .where(b.equal(choice.get("caseId"), reach.caseId()), b.isTrue(choice.get("chosen")));
            all.add(root.get("id").in(chosen));
        }
        if (by != null) {
            all.addAll(by.predicates(root, query, b));
        }
        return all;
    }

    private static Predicate says(
            String text,
            Reach reach,
            Root<CatalogueLine> root,
            CommonAbstractCriteria query,
            HibernateCriteriaBuilder b) {
        List<Predicate> any = new ArrayList<>();
        for (String column : reach.into() ? List.of("name", "elsewhere", "suggestedName", "about") : NAMES) {
            any.add(b.ilike(root.get(column), like(text), ESCAPE));
        }
        if (text.indexOf('/') >= 0) {
            any.add(b.ilike(root.get("path"), like(text), ESCAPE));
        }
        List<Long> folders = reach.folders();
        if (folders == null) {
            Subquery<Long> called = query.subquery(Long.class);
            Root<CatalogueFolder> folder = called.from(CatalogueFolder.class);
            called.select(folder.get("id"))
                    .where(
                            b.equal(folder.get("caseId"), reach.caseId()),
                            b.ilike(folder.get("path"), like(text), ESCAPE));
            any.add(root.get("folderId").in(called));
        } else if (!folders.isEmpty()) {
            any.add(root.get("folderId").in(folders));
        }
        return b.or(any.toArray(Predicate[]::new));
    }

    /** Has a text, whatever signs that means something to the database. */
    private static String like(String text) {
        return "%" + text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%";
    }

    private static <T> Predicate holds(Root<CatalogueLine> root, CriteriaBuilder b, String list, T one) {
        return ((HibernateCriteriaBuilder) b).arrayContains(root.<T[]>get(list), one);
    }

    private static Fit.Verdict verdict(String word) {
        return Stream.of(Fit.Verdict.FITS, Fit.Verdict.MAY_FIT)
                .filter(v -> v.word().equals(word))
                .findFirst()
                .orElseThrow(() -> Refusal.badInput("fit", "'" + word + "' is not a fit; take fits or may-fit."));
    }

    private static Prognosis prognosis(String word) {
        for (Prognosis p : Prognosis.values()) {
            if (p.word().equals(word)) {
                return p;
            }
        }
        throw Refusal.badInput(
                "prognosis", "'" + word + "' is not a prognosis; take whole, gapped, doubtful or overwritten.");
    }
}
