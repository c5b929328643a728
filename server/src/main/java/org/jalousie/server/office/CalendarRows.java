package org.jalousie.server.office;

import org.springframework.data.jpa.repository.JpaRepository;

interface CalendarRows extends JpaRepository<CalendarRow, Integer> {}
