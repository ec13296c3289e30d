package org.brantel.server.entry;

import jakarta.servlet.DispatcherType;
import org.brantel.server.platform.FrontEnd;
import org.brantel.server.platform.Problems;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.session.autoconfigure.DefaultCookieSerializerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;

/** Every endpoint is denied unless opened here. */
@Configuration(proxyBeanMethods = false)
@EnableMethodSecurity
class SecurityConfig {

    /** Nothing from elsewhere; hashing in the browser needs WebAssembly. */
    private static final String CONTENT_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; "
            + "style-src 'self' 'unsafe-inline'; media-src 'self'; img-src 'self' data: blob:; font-src 'self'; "
            + "connect-src 'self'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    private static final String SECURE = "${server.servlet.session.cookie.secure}";

    private static final String DENIED = "The lab wants a second factor of managers; set one up under Your sign-in, or "
            + "reload the page where you did.";

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http, SecurityContextRepository contexts, Problems problems, @Value(SECURE) boolean secure)
            throws Exception {
        return http.securityContext(c -> c.securityContextRepository(contexts))
                .csrf(c -> c.spa().csrfTokenRepository(tokens(secure)))
                .authorizeHttpRequests(r -> r.dispatcherTypeMatchers(
                                DispatcherType.ERROR, DispatcherType.FORWARD, DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET, "/", "/index.html", "/favicon.svg", "/assets/**", FrontEnd.PAGES)
                        .permitAll()
                        .requestMatchers("/api/session", "/api/session/**", "/api/setup")
                        .permitAll()
                        .requestMatchers("/api/portal/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/actuator/health")
                        .permitAll()
                        .requestMatchers("/api/staff/me", "/api/staff/me/**", "/api/events")
                        .authenticated()
                        .requestMatchers("/api/**")
                        .hasAuthority(StaffContexts.IN)
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, refused) -> problems.answer(
                                response, HttpStatus.UNAUTHORIZED, "You are not signed in; sign in and try again."))
                        .accessDeniedHandler((request, response, refused) ->
                                problems.answer(response, HttpStatus.FORBIDDEN, DENIED)))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(p -> p.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER))
                        .permissionsPolicyHeader(p -> p.policy("camera=(), microphone=(), geolocation=()")))
                .formLogin(f -> f.disable())
                .httpBasic(b -> b.disable())
                .logout(l -> l.disable())
                .build();
    }

    /** Over TLS browsers hold cookies with this prefix to this very host (RFC 6265bis, 4.1.3.2). */
    private static String own(String name, boolean secure) {
        return secure ? "__Host-" + name : name;
    }

    private static CookieCsrfTokenRepository tokens(boolean secure) {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieName(own("XSRF-TOKEN", secure));
        tokens.setCookiePath("/");
        tokens.setCookieCustomizer(c -> c.secure(secure).sameSite("Strict"));
        return tokens;
    }

    @Bean
    DefaultCookieSerializerCustomizer sessionCookie(
            @Value(SECURE) boolean secure, @Value("${server.servlet.session.cookie.name}") String name) {
        return cookie -> cookie.setCookieName(own(name, secure));
    }

    /** Two requests of one browser may write the same into its session at once. */
    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> twoAtOnce() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }

    /** Signing in is ours; without this Boot would make a user of its own. */
    @Bean
    UserDetailsService noOtherUsers() {
        return new InMemoryUserDetailsManager();
    }
}
