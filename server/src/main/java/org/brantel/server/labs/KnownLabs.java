package org.brantel.server.labs;

import org.springframework.data.jpa.repository.JpaRepository;

interface KnownLabs extends JpaRepository<KnownLab, String> {}
