package org.brantel.server.delivery;

import java.util.List;
import org.brantel.core.custody.CustodyChain;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/** What leaves the lab of a case whose custody record is torn leaves by a manager's word. */
@Component
class TornRecord {

    private final CustodyService custody;

    TornRecord(CustodyService custody) {
        this.custody = custody;
    }

    /**
     * @param manager whether a manager orders it
     * @param what    only a manager may do now, after "only they may"
     * @return where the record is torn, for what is put on record of it
     */
    List<CustodyChain.Tear> allows(String number, boolean manager, String what) {
        List<CustodyChain.Tear> tears = custody.tape(number).tears();
        if (!tears.isEmpty() && !manager) {
            throw Refusal.conflict("The custody record of " + number
                    + " is torn; ask a manager to look at it, only they may " + what + " now.");
        }
        return tears;
    }
}
