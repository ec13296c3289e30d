package org.brantel.server.staff;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface StaffMembers extends JpaRepository<StaffMember, Long> {

    Optional<StaffMember> findByLogin(String login);
}
