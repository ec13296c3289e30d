package org.brantel.server.traffic;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.EnumSet;
import java.util.concurrent.Semaphore;
import java.util.regex.Pattern;
import org.brantel.server.platform.LetIn;
import org.brantel.server.platform.Problems;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.session.web.http.SessionRepositoryFilter;

/**
 * Before anything else looks at a request its body is taken in, without a thread that waits for it, up to what its
 * sender may send. Files of any size that staff bring in go past, a few at once.
 */
final class Bodies implements Filter {

    /** Bytes of a form; more nobody can have typed. */
    private static final long FORM = 2L << 20;
    /** Bytes of a picture or a paper; whoever takes them has a closer limit, with a sentence of its own. */
    private static final long FILE = 24L << 20;
    /** How long a stranger may take to send what is as short as a passcode. */
    private static final Duration STRANGERS = Duration.ofSeconds(20);
    /** A picture at a kilobyte a second. */
    private static final Duration KNOWN = Duration.ofHours(1);

    private static final Pattern OF_ANY_SIZE = Pattern.compile("/api/cases/[^/]+/scans/file|/api/arrivals");
    private static final int OF_ANY_SIZE_AT_ONCE = 16;

    /** The body of a request that was put aside until all of it was there. */
    private static final String BODY = Bodies.class.getName() + ".body";

    private final Settings settings;
    private final Problems problems;
    private final Semaphore large = new Semaphore(OF_ANY_SIZE_AT_ONCE);

    private Bodies(Settings settings, Problems problems) {
        this.settings = settings;
        this.problems = problems;
    }

    @Configuration(proxyBeanMethods = false)
    static class First {

        @Bean
        FilterRegistrationBean<Bodies> bodies(Settings settings, Problems problems) {
            FilterRegistrationBean<Bodies> bean = new FilterRegistrationBean<>(new Bodies(settings, problems));
            // Who sends it decides how much may come, and how slowly.
            bean.setOrder(SessionRepositoryFilter.DEFAULT_ORDER + 1);
            bean.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
            return bean;
        }
    }

    @Override
    public void doFilter(ServletRequest any, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) any;
        if (request.getAttribute(BODY) instanceof Body body) {
            // Whatever takes this request up once more is the application's own.
            request.removeAttribute(BODY);
            try (body) {
                handOn(request, body, response, chain);
            }
        } else if (request.getDispatcherType() == DispatcherType.ASYNC || !hasBody(request)) {
            chain.doFilter(request, response);
        } else if (LetIn.isStaff(request.getSession(false))
                && OF_ANY_SIZE.matcher(request.getRequestURI()).matches()) {
            goPast(request, response, chain);
        } else {
            takeIn(request);
        }
    }

    private static void handOn(HttpServletRequest request, Body body, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        Refusal refused = body.refused();
        if (refused != null) {
            request.setAttribute(RefusedBody.WHY, refused);
        }
        chain.doFilter(new WithBody(request, body), response);
    }

    private void goPast(HttpServletRequest request, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        if (!large.tryAcquire()) {
            problems.answer(
                    (jakarta.servlet.http.HttpServletResponse) response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    OF_ANY_SIZE_AT_ONCE + " files are being brought in already; wait until one of them is there.");
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            large.release();
        }
    }

    private void takeIn(HttpServletRequest request) throws IOException {
        Body body = new Body(limit(request), settings.home().resolve("arriving"));
        request.setAttribute(BODY, body);
        AsyncContext context = request.startAsync();
        context.setTimeout((LetIn.isKnown(request.getSession(false)) ? KNOWN : STRANGERS).toMillis());
        Arriving arriving = new Arriving(context, request.getInputStream(), body, problems);
        context.addListener(arriving);
        request.getInputStream().setReadListener(arriving);
    }

    private static long limit(HttpServletRequest request) {
        if (!LetIn.isKnown(request.getSession(false))) {
            return Body.SHORT;
        }
        // Whoever opened a delivery sends what their browser computed of its files, of which there may be thousands.
        return LetIn.isStaff(request.getSession(false)) && isForm(request.getContentType()) ? FORM : FILE;
    }

    private static boolean isForm(@Nullable String type) {
        return type == null || type.startsWith(MediaType.APPLICATION_JSON_VALUE);
    }

    private static boolean hasBody(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    }
}
