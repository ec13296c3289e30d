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
import org.brantel.core.question.Question;
import org.brantel.core.wanted.Fit;
import org.brantel.server.platform.Refusal;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.jspecify.annotations.Nullable;

/**
 * Which lines of a catalogue are meant. Within one condition any value does; all conditions must hold.
 *
 * @param kinds  by their codes, or as people name them together, like {@code image}
 * @param q      a question, as people say it; what is not understood of it is looked for as text
 * @param in     where it stands; null for anywhere
 * @param asked  which wanted line it answers; null for any or none
 * @param by     which scan sessions found it, or null
 */
record CatalogueFilter(
        List<String> kinds,
        List<String> origins,
        List<String> prognoses,

        @Nullable @Size(max = Question.LONGEST, message = QuestionController.LONGEST)
        String q,

        @JsonUnwrapped @Nullable Asked asked,
        boolean selectedOnly,
        @Nullable @Valid BySession by,
        @Nullable @Valid Place in) {

    /** So many sessions of one case are thinkable. */
    static final int SESSIONS = 500;

    /** More are not named one by one. */
    private static final int NAMED = 4;

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
     * @param question as it was understood
     * @param volumes  that are meant as wholes by the place; none where it is a folder in one
     */
    record Reach(long caseId, Understood question, List<Volume> volumes) {}

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

    static Predicate isSeen(CommonAbstractCriteria query, Root<CatalogueLine> root, CriteriaBuilder b, long session) {
        return b.exists(BySession.of(query, root, b, session));
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

    /** What is meant, as a person reads it. */
    String words() {
        List<String> words = new ArrayList<>();
        if (q != null && !q.isBlank()) {
            words.add("“" + q.strip() + "”");
        }
        for (List<String> some : List.of(kinds, origins, prognoses)) {
            if (!some.isEmpty()) {
                words.add(some.size() > NAMED ? some.size() + " kinds" : String.join(" or ", some));
            }
        }
        if (in != null && !in.isAnywhere()) {
            words.add(in.nameless() ? "what no record names" : "in one place");
        }
        if (asked != null && asked.wanted() != null) {
            words.add("of one wanted line");
        }
        if (selectedOnly) {
            words.add("of what was chosen");
        }
        if (by != null && !by.isAny()) {
            words.add("by scan session");
        }
        return words.isEmpty() ? "all findings" : "all that pass: " + String.join(", ", words);
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
        Predicate asks = reach.question().predicate(reach.caseId(), root, query, b);
        if (asks != null) {
            all.add(asks);
        }
        if (in != null && !in.isAnywhere()) {
            all.add(in.predicate(reach, root, query, b));
        }
        if (asked != null && asked.wanted() != null) {
            all.add(asked.predicate(asked.wanted(), root, b));
        }
        if (selectedOnly) {
            all.add(Choices.isChosen(reach.caseId(), root, b));
        }
        if (by != null) {
            all.addAll(by.predicates(root, query, b));
        }
        return all;
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
