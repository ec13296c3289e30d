package org.brantel.server.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.casefile.CaseFile;
import org.brantel.server.platform.Refusal;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Devices go first: everything else speaks of them. */
@Component
@Order(1)
class DevicesAlong implements GoesAlong {

    private final LabCases cases;
    private final Devices devices;

    DevicesAlong(LabCases cases, Devices devices) {
        this.cases = cases;
        this.devices = devices;
    }

    @Override
    public void pack(Leaving leaving) {
        LabCase c = cases.byNumber(leaving.number());
        for (DeviceRecord record : devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id())) {
            CaseViews.Device d = record.view();
            boolean own = d.way().ownPath() != null;
            var path = own ? d.way().ownPath() : c.path();
            leaving.parts()
                    .devices()
                    .add(new CaseFile.Device(
                            leaving.marks().of(Travelled.DEVICE, d.id()),
                            d.type(),
                            new CaseFile.Label(
                                    d.label().make(),
                                    d.label().model(),
                                    d.label().serial(),
                                    d.label().capacity()),
                            d.brought().attachedBy(),
                            d.brought().accessories(),
                            d.brought().condition(),
                            new CaseFile.Member(d.member().setName(), d.member().slot()),
                            new CaseFile.Entitlement(
                                    d.entitled().entitlement(), d.entitled().entitledUntil()),
                            path == null ? null : path.word(),
                            own ? d.way().ownReason() : c.pathReason()));
        }
    }

    /** A new case was logged with all of its devices, in their order; to one that is here already, others may be added. */
    @Override
    public void takeIn(Coming coming) {
        List<DeviceRecord> here = new ArrayList<>(devices.findByCaseIdAndRemovedFalseOrderByPosition(coming.caseId()));
        for (CaseFile.Device d : coming.file().devices()) {
            Optional<Long> known = coming.marks().here(Travelled.DEVICE, d.mark());
            known.ifPresent(id -> stillHere(coming, id));
            if (coming.isNew()) {
                coming.marks()
                        .came(
                                Travelled.DEVICE,
                                d.mark(),
                                here.get(coming.file().devices().indexOf(d)).id());
            } else if (known.isEmpty()) {
                DeviceRecord record = new DeviceRecord(coming.caseId());
                record.describe(ForeignCases.form(d), here.size() + 1, d.label().capacity());
                here.add(devices.save(record));
                coming.marks().came(Travelled.DEVICE, d.mark(), record.id());
            }
        }
    }

    private void stillHere(Coming coming, long id) {
        if (devices.findById(id).filter(d -> d.caseId() == coming.caseId()).isEmpty()) {
            throw Refusal.conflict("A device of the file belongs to another case than " + coming.number()
                    + " by now; give it back to that case first.");
        }
    }
}
