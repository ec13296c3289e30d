package org.brantel.server.intake;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.Refusal;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.JpaSpecificationExecutor;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface LabCases extends JpaRepository<LabCase, Long>, JpaSpecificationExecutor<LabCase> {

    /** Without what else they hold: many are asked for at once. */
    @Query("select new org.brantel.server.intake.LabCase$Key(c.id, c.number, c.version) from LabCase c where "
            + "c.number in ?1")
    List<LabCase.Key> findKeys(Collection<String> numbers);

    List<LabCase> findByRefitTrue();

    Optional<LabCase> findByNumber(String number);

    /** @throws Refusal when there is no such case */
    default LabCase byNumber(String number) {
        return findByNumber(number).orElseThrow(() -> missing(number));
    }

    /**
     * As {@link #findForEdit}.
     *
     * @throws Refusal when there is no such case
     */
    default LabCase toEdit(String number) {
        return findForEdit(number).orElseThrow(() -> missing(number));
    }

    private static Refusal missing(String number) {
        return Refusal.missing("There is no case " + number + "; check the number.");
    }

    /** For changes that lie in rows of their own: the case counts as changed all the same. */
    @Lock(LockModeType.OPTIMISTIC_FORCE_INCREMENT)
    @Query("select c from LabCase c where c.number = ?1")
    Optional<LabCase> findForEdit(String number);

    Page<LabCase> findByStageAndPathIn(Stage stage, Collection<RecoveryPath> paths, Pageable page);

    Page<LabCase> findByStageInAndTakenBackFalseAndStageSinceGreaterThanEqual(
            Collection<Stage> stages, Instant since, Pageable page);

    @Query("select new org.brantel.server.intake.LabCase$Ended(c.id, c.path, c.stage, c.stageSince) from LabCase c "
            + "where c.stage in ?1 and c.takenBack = false and c.stageSince >= ?2 and c.stageSince < ?3")
    List<LabCase.Ended> findEnded(Collection<Stage> stages, Instant from, Instant to);

    @Query("select new org.brantel.server.intake.PastCases$Standing(c.stage, c.stageSince) from LabCase c "
            + "where c.stage in ?1 and c.takenBack = false")
    List<PastCases.Standing> findStanding(Collection<Stage> stages);

    List<LabCase> findByNumberIn(Collection<String> numbers);

    List<LabCase> findByCustomerIdOrderByIdDesc(Long customerId);

    @Query(value = "select nextval('case_number_seq')", nativeQuery = true)
    long nextNumber();

    /** What Ctrl K looks in. */
    @Modifying
    @Query(
            value = "insert into find_text (case_id, words) values (?1, ?2) on conflict (case_id) do update set "
                    + "words = excluded.words",
            nativeQuery = true)
    void index(long caseId, String words);

    @Modifying
    @Query(
            value = "insert into find_word (word) select distinct w from regexp_split_to_table(?1, "
                    + "'[^[:alnum:]]+') w where length(w) > 2 on conflict do nothing",
            nativeQuery = true)
    void indexWords(String words);
}
