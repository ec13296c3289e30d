package org.brantel.server.bench;

import org.springframework.data.jpa.repository.JpaRepository;

interface Rechecks extends JpaRepository<Recheck, Long> {}
