package org.brantel.server.delivery;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface DeliveryRecords extends JpaRepository<Delivery, Long> {

    List<Delivery> findByCaseIdOrderByIdDesc(Long caseId);

    Optional<Delivery> findByTokenHash(String tokenHash);

    List<Delivery> findAllByOrderByIdDesc();

    boolean existsByCaseIdAndState(Long caseId, Delivery.State state);
}
