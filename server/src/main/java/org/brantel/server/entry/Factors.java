package org.brantel.server.entry;

import org.brantel.server.settings.LabSettings;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;

/** What somebody has beside a password, and whether the lab wants it of them. */
@Service
class Factors {

    private final Codes codes;
    private final Passkeys passkeys;
    private final LabSettings settings;

    Factors(Codes codes, Passkeys passkeys, LabSettings settings) {
        this.codes = codes;
        this.passkeys = passkeys;
        this.settings = settings;
    }

    /** Whether this person must get a second factor before they may do anything else. */
    boolean lacking(Staff.Person person) {
        return person.role() == Role.MANAGER
                && settings.entry().managersNeedTwo()
                && !codes.isOn(person.login())
                && passkeys.count(person.login()) == 0;
    }
}
