package org.brantel.server.entry;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.function.Supplier;
import org.brantel.server.platform.LetIn;
import org.brantel.server.staff.Staff;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.DeferredSecurityContext;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/** Who a request comes from, as the records have it at that moment: a role that was taken away acts at once. */
@Component
class StaffContexts implements SecurityContextRepository {

    /** What whoever is let in may do besides what their role may: all but their own account. */
    static final String IN = "IN";

    private final Sessions sessions;
    private final Factors factors;

    StaffContexts(Sessions sessions, Factors factors) {
        this.sessions = sessions;
        this.factors = factors;
    }

    private static final class Asked implements DeferredSecurityContext {

        private final SingletonSupplier<SecurityContext> context;

        Asked(Supplier<SecurityContext> context) {
            this.context = SingletonSupplier.of(context);
        }

        @Override
        public SecurityContext get() {
            return context.obtain();
        }

        @Override
        public boolean isGenerated() {
            return get().getAuthentication() == null;
        }
    }

    @Override
    public DeferredSecurityContext loadDeferredContext(HttpServletRequest request) {
        return new Asked(() -> context(request));
    }

    private SecurityContext context(HttpServletRequest request) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        sessions.who(request)
                .ifPresent(p -> context.setAuthentication(
                        new UsernamePasswordAuthenticationToken(p, null, authorities(p, request.getSession()))));
        return context;
    }

    private List<SimpleGrantedAuthority> authorities(Staff.Person person, HttpSession session) {
        if (factors.of(person, Sessions.hasShownTwo(session)) == Factors.Lack.TO_GET) {
            return List.of();
        }
        return List.of(new SimpleGrantedAuthority("ROLE_" + person.role()), new SimpleGrantedAuthority(IN));
    }

    @Override
    @SuppressWarnings("deprecation") // of before contexts were deferred; the interface still has it
    public SecurityContext loadContext(HttpRequestResponseHolder holder) {
        return loadDeferredContext(holder.getRequest()).get();
    }

    /** A session is begun where somebody signs in, and holds no context. */
    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {}

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return LetIn.isStaff(request.getSession(false));
    }
}
