package org.brantel.server.entry;

import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.audit.Audit;
import org.brantel.server.platform.Paged;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** How somebody signs in themselves. Whatever changes it asks for the present password, and is on the lab's own record. */
@Service
class OwnAccount {

    /**
     * @param codes      whether codes of the moment are asked for
     * @param sparesLeft spare codes that were not used yet
     */
    record Own(Staff.Person person, boolean codes, long sparesLeft, List<Passkeys.Passkey> passkeys) {}

    private final Staff staff;
    private final SignIns signIns;
    private final Sessions sessions;
    private final Codes codes;
    private final Passkeys passkeys;
    private final Audit audit;
    private final TransactionTemplate transaction;

    OwnAccount(
            Staff staff,
            SignIns signIns,
            Sessions sessions,
            Codes codes,
            Passkeys passkeys,
            Audit audit,
            TransactionTemplate transaction) {
        this.staff = staff;
        this.signIns = signIns;
        this.sessions = sessions;
        this.codes = codes;
        this.passkeys = passkeys;
        this.audit = audit;
        this.transaction = transaction;
    }

    @Transactional(readOnly = true)
    Own own() {
        Staff.Person me = staff.current();
        return new Own(me, codes.isOn(me.login()), codes.sparesLeft(me.login()), passkeys.of(me.login()));
    }

    /** All sessions end but the one that it is done in. */
    void changePassword(String old, String password, Place from, String here) {
        Staff.Person me = confirmed(old, from);
        transaction.executeWithoutResult(t -> {
            staff.choosePassword(me.login(), password);
            note(me, "password changed");
        });
        sessions.endAll(me.login(), here);
    }

    Codes.Told beginCodes(String old, Place from) {
        return codes.begin(confirmed(old, from).login());
    }

    List<String> confirmCodes(HttpSession session, String code) {
        Staff.Person me = staff.current();
        List<String> spares = transaction.execute(t -> {
            note(me, "codes of the moment set up");
            return codes.confirm(me.login(), code);
        });
        Sessions.shownTwo(session);
        return spares;
    }

    List<String> newSpares(String old, Place from) {
        Staff.Person me = confirmed(old, from);
        return transaction.execute(t -> {
            note(me, "new spare codes");
            return codes.newSpares(me.login());
        });
    }

    void endCodes(String old, Place from) {
        Staff.Person me = confirmed(old, from);
        transaction.executeWithoutResult(t -> {
            codes.end(me.login());
            note(me, "codes of the moment ended");
        });
    }

    String askForPasskey(String old, HttpSession session, Place from) {
        return passkeys.askToMake(session, confirmed(old, from));
    }

    void keepPasskey(HttpSession session, String label, String answer) {
        Staff.Person me = staff.current();
        transaction.executeWithoutResult(t -> {
            passkeys.keep(session, label, answer);
            note(me, "passkey added: " + label.strip());
        });
        Sessions.shownTwo(session);
    }

    void forgetPasskey(String id, String old, Place from) {
        Staff.Person me = confirmed(old, from);
        transaction.executeWithoutResult(t -> {
            passkeys.forget(me.login(), id);
            note(me, "passkey taken away");
        });
    }

    List<Sessions.Open> sessions(String here) {
        return sessions.of(staff.current().login(), here);
    }

    void endSession(String mark) {
        Staff.Person me = staff.current();
        sessions.end(me.login(), mark);
        transaction.executeWithoutResult(t -> note(me, "one of the sessions ended"));
    }

    void endOthers(String here) {
        Staff.Person me = staff.current();
        sessions.endAll(me.login(), here);
        transaction.executeWithoutResult(t -> note(me, "all other sessions ended"));
    }

    Paged<CustodyEntry> record(int page) {
        return audit.about(staff.current().login(), page);
    }

    private Staff.Person confirmed(String old, Place from) {
        Staff.Person me = staff.current();
        signIns.confirm(me, old, from);
        return me;
    }

    private void note(Staff.Person me, String what) {
        audit.note(me.name(), me.login(), what, "");
    }
}
