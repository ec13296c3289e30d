package org.brantel.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses forms that nobody can have typed before they are read into memory. Photos have a limit of their own. */
@Component
class BodyLimit extends OncePerRequestFilter {

    private static final long LARGEST = 2L << 20;

    private final Problems problems;

    BodyLimit(Problems problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String type = request.getContentType();
        boolean json = type != null && type.startsWith(MediaType.APPLICATION_JSON_VALUE);
        if (json
                && (request.getContentLengthLong() > LARGEST
                        || request.getContentLengthLong() < 0 && request.getHeader("Transfer-Encoding") != null)) {
            problems.answer(
                    response,
                    HttpStatus.CONTENT_TOO_LARGE,
                    "What was sent is larger than 2 MiB; shorten it. What you typed is still in this browser.");
            return;
        }
        chain.doFilter(request, response);
    }
}
