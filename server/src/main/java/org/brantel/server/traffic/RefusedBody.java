package org.brantel.server.traffic;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.brantel.server.platform.Problems;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Says why a body was not taken, to whoever may know that there is anything to send to. */
@Component
class RefusedBody extends OncePerRequestFilter {

    static final String WHY = RefusedBody.class.getName() + ".why";

    private final Problems problems;

    RefusedBody(Problems problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getAttribute(WHY) instanceof Refusal why) {
            problems.answer(response, why.status(), Refusal.sentence(why));
        } else {
            chain.doFilter(request, response);
        }
    }
}
