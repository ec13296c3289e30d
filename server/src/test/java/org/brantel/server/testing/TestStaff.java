package org.brantel.server.testing;

import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;

/** The people of the test lab. */
class TestStaff {

    private final Staff staff;

    TestStaff(Staff staff) {
        this.staff = staff;
    }

    void fill(String password) {
        staff.add("una", "Una Farrow", Role.COORDINATOR, password);
        staff.add("tom", "Tom Gale", Role.ENGINEER, password);
        staff.add("petra", "Petra Lunn", Role.MANAGER, password);
    }
}
