package org.brantel.server.entry;

import org.brantel.server.settings.LabSettings;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;

/** What somebody has beside a password, and whether the lab wants it of them. */
@Service
class Factors {

    /** What is missing of what the lab wants. */
    enum Lack {
        NOTHING,
        /** They have something and did not show it: a password alone opens nothing then. */
        TO_SHOW,
        /** They have nothing yet, and may do nothing before they get it. */
        TO_GET
    }

    private final Codes codes;
    private final Passkeys passkeys;
    private final LabSettings settings;

    Factors(Codes codes, Passkeys passkeys, LabSettings settings) {
        this.codes = codes;
        this.passkeys = passkeys;
        this.settings = settings;
    }

    /** @param shownTwo whether they came in by a passkey, or a code beside the password */
    Lack of(Staff.Person person, boolean shownTwo) {
        if (shownTwo || person.role() != Role.MANAGER || !settings.entry().managersNeedTwo()) {
            return Lack.NOTHING;
        }
        return codes.isOn(person.login()) || passkeys.count(person.login()) > 0 ? Lack.TO_SHOW : Lack.TO_GET;
    }
}
