package org.brantel.server.staff;

import jakarta.servlet.DispatcherType;
import org.brantel.server.platform.FrontEnd;
import org.brantel.server.platform.Problems;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.CsrfConfigurer;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.springframework.security.web.session.HttpSessionEventPublisher;

/** Every endpoint is denied unless opened here. */
@Configuration(proxyBeanMethods = false)
@EnableMethodSecurity
class SecurityConfig {

    /** Nothing from elsewhere; hashing in the browser needs WebAssembly. */
    private static final String CONTENT_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; "
            + "style-src 'self' 'unsafe-inline'; media-src 'self'; img-src 'self' data: blob:; font-src 'self'; "
            + "connect-src 'self'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, Problems problems)
            throws Exception {
        return http.securityContext(c -> c.securityContextRepository(contexts))
                .csrf(CsrfConfigurer::spa)
                .authorizeHttpRequests(r -> r.dispatcherTypeMatchers(
                                DispatcherType.ERROR, DispatcherType.FORWARD, DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET, "/", "/index.html", "/favicon.svg", "/assets/**", FrontEnd.PAGES)
                        .permitAll()
                        .requestMatchers("/api/session", "/api/setup")
                        .permitAll()
                        .requestMatchers("/api/portal/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/actuator/health")
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, refused) -> problems.answer(
                        response, HttpStatus.UNAUTHORIZED, "You are not signed in; sign in and try again.")))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(p -> p.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER))
                        .permissionsPolicyHeader(p -> p.policy("camera=(), microphone=(), geolocation=()")))
                .formLogin(f -> f.disable())
                .httpBasic(b -> b.disable())
                .logout(l -> l.disable())
                .build();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** What lasts as long as a session hears of its end. */
    @Bean
    HttpSessionEventPublisher sessionEnds() {
        return new HttpSessionEventPublisher();
    }

    @Bean
    PasswordEncoder passwords() {
        return new Stretched();
    }

    /** Signing in is ours; without this Boot would make a user of its own. */
    @Bean
    UserDetailsService noOtherUsers() {
        return new InMemoryUserDetailsManager();
    }
}
