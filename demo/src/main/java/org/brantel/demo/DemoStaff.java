package org.brantel.demo;

import java.util.List;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;

/** The people of the demo lab. */
final class DemoStaff {

    static final String PASSWORD = "skerrow-demo";

    static final Staff.Person UNA = new Staff.Person("una", "Una Farrow", Role.COORDINATOR);
    static final Staff.Person TOM = new Staff.Person("tom", "Tom Gale", Role.ENGINEER);
    static final Staff.Person PETRA = new Staff.Person("petra", "Petra Lunn", Role.MANAGER);

    static final List<Staff.Person> ALL = List.of(UNA, TOM, PETRA);

    private DemoStaff() {}
}
