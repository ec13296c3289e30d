package org.brantel.server.custody;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CustodyRecords extends JpaRepository<CustodyRecord, Long> {

    List<CustodyRecord> findByCaseNumberOrderByNumber(String caseNumber);

    List<CustodyRecord> findByCaseNumberInOrderByCaseNumberAscNumberAsc(Collection<String> caseNumbers);

    /** Who did how much in which hour of the lab's clock, 0 to 23. */
    @Query(
            value = "select who, cast(extract(hour from at at time zone ?3) as int) as hour, count(*) as entries "
                    + "from custody_entry where at >= ?1 and at < ?2 group by 1, 2 order by 1, 2",
            nativeQuery = true)
    List<InHour> findHours(Instant from, Instant to, String zone);

    interface InHour {
        String getWho();

        int getHour();

        long getEntries();
    }

    @Query("select r.who as who, count(distinct r.caseNumber) as cases from CustodyRecord r "
            + "where r.at >= ?1 and r.at < ?2 group by r.who")
    List<InCases> findCases(Instant from, Instant to);

    interface InCases {
        String getWho();

        long getCases();
    }

    Page<CustodyRecord> findByWhoAndAtGreaterThanEqualAndAtLessThanOrderById(
            String who, Instant from, Instant to, Pageable page);

    List<CustodyRecord> findByCaseNumberAndNumberGreaterThanAndWhoNotOrderByNumberDesc(
            String caseNumber, long number, String who, Limit limit);

    long countByCaseNumberAndNumberGreaterThanAndWhoNot(String caseNumber, long number, String who);

    long countByCaseNumber(String caseNumber);
}
