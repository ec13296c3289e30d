package org.brantel.server.labs;

import java.util.stream.Collectors;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Component;

/** How other labs are told of this one. */
@Component
class ThisLab {

    private final Settings settings;
    private final Staff staff;

    ThisLab(Settings settings, Staff staff) {
        this.settings = settings;
        this.staff = staff;
    }

    GoesAlong.Lab here() {
        return new GoesAlong.Lab(
                settings.lab(), staff.all().stream().map(Staff.Person::name).collect(Collectors.toSet()));
    }
}
