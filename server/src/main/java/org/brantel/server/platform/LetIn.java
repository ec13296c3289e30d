package org.brantel.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import org.jspecify.annotations.Nullable;

/** What a session says of who is at the other end, for whatever asks before it is known who exactly that is. */
public final class LetIn {

    /** The sign-in name of the member of staff. */
    public static final String STAFF = "staff.login";

    private static final String CUSTOMER = "customer";

    private LetIn() {}

    /** Whether somebody of the lab signed in by it. */
    public static boolean isStaff(@Nullable HttpSession session) {
        return session != null && session.getAttribute(STAFF) != null;
    }

    /** Whether somebody of the lab signed in, or a customer opened a delivery. */
    public static boolean isKnown(@Nullable HttpSession session) {
        return session != null && (isStaff(session) || session.getAttribute(CUSTOMER) != null);
    }

    /** A customer opened a delivery: from now on by a session id that nobody knew before. */
    public static HttpSession customer(HttpServletRequest request) {
        HttpSession session = afresh(request);
        session.setAttribute(CUSTOMER, true);
        return session;
    }

    /** The session of a request by another id: whoever knew the one of before has nothing of what is let in now. */
    public static HttpSession afresh(HttpServletRequest request) {
        request.getSession();
        request.changeSessionId();
        return request.getSession();
    }
}
