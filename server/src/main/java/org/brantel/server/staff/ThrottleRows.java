package org.brantel.server.staff;

import org.springframework.data.jpa.repository.JpaRepository;

interface ThrottleRows extends JpaRepository<ThrottleRow, String> {}
