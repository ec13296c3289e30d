package org.brantel.server.labs;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TravelMarkRows extends JpaRepository<TravelMark, TravelMark.Key> {

    List<TravelMark> findByCaseId(Long caseId);
}
