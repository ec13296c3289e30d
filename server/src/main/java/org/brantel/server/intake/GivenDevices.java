package org.brantel.server.intake;

import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Devices that go from one case to another. */
@Service
public class GivenDevices {

    private final Cases cases;
    private final LabCases records;
    private final Entries entries;
    private final CasePaths paths;
    private final FindIndex index;
    private final Happenings happenings;

    GivenDevices(
            Cases cases, LabCases records, Entries entries, CasePaths paths, FindIndex index, Happenings happenings) {
        this.cases = cases;
        this.records = records;
        this.entries = entries;
        this.paths = paths;
        this.index = index;
        this.happenings = happenings;
    }

    /**
     * Gives a device to another case, with all that is on record of it alone. Both custody records say so.
     *
     * @param reason why, in words
     */
    @Transactional
    public void give(String number, long id, String other, String reason, String who) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.device(id);
        if (!docket.hasSeveral()) {
            throw Refusal.conflict(
                    "It is the only device of " + number + "; a case without a device is none. Log it anew instead.");
        }
        LabCase from = records.toEdit(number);
        LabCase to = records.toEdit(other);
        if (from.id() == to.id()) {
            throw Refusal.badInput("to", "It is a device of " + number + " already.");
        }
        if (!to.stage().isOpen() || !from.stage().isOpen()) {
            LabCase over = to.stage().isOpen() ? from : to;
            throw Refusal.conflict(over.number() + " is " + over.stage().word() + "; decide on a path for it first.");
        }
        CaseViews.Device.Way way = device.way().ownPath() == null
                ? new CaseViews.Device.Way(from.path(), from.pathReason(), from.protocol())
                : device.way();
        entries.give(from, id, to);
        entries.decide(to, id, way);
        String what = device.name()
                + (device.label().serial().isEmpty()
                        ? ""
                        : ", serial " + device.label().serial()) + "; reason: " + reason.strip();
        happenings.tell(number, who, "gave " + device.which() + " to " + other, what, Topic.CASE);
        happenings.tell(other, who, "took a device of " + number + " over", what, Topic.CASE);
        if (paths.complete(from)) {
            paths.moveOn(from, who);
        }
        index.of(from);
        index.of(to);
    }
}
