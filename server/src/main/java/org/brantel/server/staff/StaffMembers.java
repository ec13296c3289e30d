package org.brantel.server.staff;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface StaffMembers extends JpaRepository<StaffMember, Long> {

    Optional<StaffMember> findByLogin(String login);

    /** Names are unique as they are read, which no index can tell: people are added one after the other. */
    @Modifying
    @Query(value = "lock table staff in share row exclusive mode", nativeQuery = true)
    void oneAtATime();
}
