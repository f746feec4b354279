package yellowrail.app.web;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * One builder on one computer: no account, but nothing from elsewhere. Requests must name a known host, forms carry a
 * token, and the content security policy lets nothing in that the application does not ship.
 */
@Configuration
class Security {
    static final String POLICY =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http, @Value("${yellowrail.lan}") boolean lan) throws Exception {
        // The token lives in a cookie, so that a form typed before a restart of the server can still be sent after it.
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieCustomizer(c -> c.sameSite("Strict").httpOnly(true).path("/"));
        return http.authorizeHttpRequests(a -> a.anyRequest().permitAll())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(c -> c.csrfTokenRepository(tokens)
                        .csrfTokenRequestHandler(new CsrfTokenRequestAttributeHandler())
                        .ignoringRequestMatchers(JsonOnly::matches))
                .addFilterBefore(new KnownHost(lan), SecurityContextHolderFilter.class)
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(POLICY))
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN)))
                .exceptionHandling(e -> e.accessDeniedHandler((request, response, denied) -> {
                    request.setAttribute(Trouble.SENTENCE, Trouble.FORM_TOKEN);
                    response.sendError(403);
                }))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .build();
    }
}
