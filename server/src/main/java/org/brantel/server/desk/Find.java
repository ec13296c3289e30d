package org.brantel.server.desk;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import jakarta.persistence.Query;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Finds cases by anything that is written on them. Every word must be there as it is typed, in part or whole; only when
 * that finds too little are words allowed to be mistyped.
 */
@Service
class Find {

    /**
     * @param hint what else tells it from others
     * @param by   the words that matched, as they are written there, where the label does not show them
     * @param near when a word was taken for another
     */
    record Goal(String label, String hint, List<String> by, String to, boolean near) {}

    private static final int MOST = 8;
    private static final int MOST_DRAFTS = 200;
    private static final int LONGEST = 200;
    private static final int SHORTEST_TO_MISTYPE = 3;

    @PersistenceContext
    private EntityManager database;

    @Transactional(readOnly = true)
    List<Goal> goals(String typed) {
        List<String> words = Arrays.stream(typed.strip()
                        .toLowerCase(Locale.ROOT)
                        .substring(0, Math.min(LONGEST, typed.strip().length()))
                        .split("\\s+"))
                .map(w -> w.replaceFirst("/\\d+$", ""))
                .filter(w -> !w.isEmpty())
                .limit(6)
                .toList();
        if (words.isEmpty()) {
            return List.of();
        }
        List<Goal> exact = found(words.stream().map(List::of).toList(), false);
        return !exact.isEmpty() || words.stream().allMatch(w -> w.length() < SHORTEST_TO_MISTYPE)
                ? exact
                : found(
                        words.stream()
                                .map(w -> w.length() < SHORTEST_TO_MISTYPE ? List.of(w) : nearest(w))
                                .toList(),
                        true);
    }

    private List<Goal> found(List<List<String>> words, boolean near) {
        return Stream.concat(drafts(words, near).stream(), matches(words, near).stream())
                .limit(MOST)
                .toList();
    }

    /** Words that stand on cases and are written nearly like this one; itself when there is none. */
    private List<String> nearest(String word) {
        int mistakes = NearWords.mistakes(word);
        List<?> candidates = database.createNativeQuery(Stream.of(
                                "left(word, 1) = left(?1, 1)", "right(word, 2) = right(?1, 2)", "word % ?1")
                        .map(like -> "select word from find_word where length(word) between ?2 and ?3 and " + like)
                        .collect(Collectors.joining(" union ")))
                .setParameter(1, word)
                .setParameter(2, word.length() - mistakes)
                .setParameter(3, word.length() + mistakes)
                .getResultList();
        List<String> found =
                NearWords.of(word, candidates.stream().map(String.class::cast).toList());
        return found.isEmpty() ? List.of(word) : found;
    }

    /** Calls that are not logged yet, by who they are about. */
    private List<Goal> drafts(List<List<String>> words, boolean near) {
        List<?> rows = database.createNativeQuery(
                        "select key, title, owner_name from draft where case_number is null order by updated_at desc")
                .setMaxResults(MOST_DRAFTS)
                .getResultList();
        return rows.stream()
                .map(r -> (Object[]) r)
                .filter(r -> words.stream()
                        .allMatch(ways -> ways.stream().anyMatch(r[1].toString().toLowerCase(Locale.ROOT)::contains)))
                .map(r -> new Goal(
                        r[1].toString(), "call not logged yet, " + r[2], List.of(), "/intake?draft=" + r[0], near))
                .toList();
    }

    /** @param words each must be there in one of its ways of writing */
    private List<Goal> matches(List<List<String>> words, boolean near) {
        List<String> parameters = new ArrayList<>();
        String all = words.stream()
                .map(ways ->
                        ways.stream().map(w -> condition(w, parameters)).collect(Collectors.joining(" or ", "(", ")")))
                .collect(Collectors.joining(" and "));
        Query query = database.createNativeQuery(SELECT.replace("$where", all));
        for (int i = 0; i < parameters.size(); i++) {
            query.setParameter(i + 1, parameters.get(i));
        }
        List<?> rows = query.getResultList();
        return rows.stream()
                .map(r -> (Object[]) r)
                .map(r -> goal(r, words, near))
                .toList();
    }

    private static String condition(String word, List<String> parameters) {
        String plain = word.replaceAll("([\\\\%_])", "\\\\$1");
        boolean number = word.matches("(br-)?\\d{4}-\\d{0,4}");
        parameters.add(number ? (plain.startsWith("br-") ? plain : "br-" + plain) + "%" : "%" + plain + "%");
        return (number ? "left(f.words, 12)" : "f.words") + " like ?" + parameters.size();
    }

    private static final String SELECT = "select c.number, c.customer_name, c.stage, "
            + "(select trim(d.make || ' ' || d.model || ' ' || d.serial) from device d where d.case_id = c.id "
            + "and not d.removed order by d.position limit 1), f.words "
            + " from (select f.case_id, f.words from find_text f where $where order by f.case_id desc limit " + MOST
            + ") f join lab_case c on c.id = f.case_id "
            + "order by f.case_id desc";

    private static Goal goal(Object[] row, List<List<String>> words, boolean near) {
        String device = row[3] == null || row[3].toString().isEmpty() ? "" : row[3] + ", ";
        String label = row[0] + " " + row[1];
        String shown = (label + " " + device).toLowerCase(Locale.ROOT);
        List<String> tokens = List.of(row[4].toString().split("[^\\p{L}\\p{N}@.-]+"));
        List<String> by = words.stream()
                .filter(ways -> ways.stream().noneMatch(shown::contains))
                .flatMap(ways -> tokens.stream()
                        .filter(t -> ways.stream().anyMatch(t::contains))
                        .limit(1))
                .distinct()
                .toList();
        return new Goal(
                label,
                device + row[2].toString().toLowerCase(Locale.ROOT).replace('_', ' '),
                by,
                "/cases/" + row[0],
                near);
    }
}
