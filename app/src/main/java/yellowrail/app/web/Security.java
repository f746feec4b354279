package yellowrail.app.web;

import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextHolderFilter;
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
    SecurityFilterChain chain(
            HttpSecurity http,
            FormKeyMapper keys,
            ObjectProvider<SecurityPart> parts,
            @Value("${yellowrail.lan}") boolean lan)
            throws Exception {
        http.csrf(c -> c.csrfTokenRepository(new SignedFormTokens(formKey(keys)))
                        .csrfTokenRequestHandler(new CsrfTokenRequestAttributeHandler())
                        .ignoringRequestMatchers(JsonOnly::matches))
                .addFilterBefore(new KnownHost(lan), SecurityContextHolderFilter.class)
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(POLICY))
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN)))
                .exceptionHandling(e -> e.accessDeniedHandler((request, response, denied) -> {
                    request.setAttribute(ErrorTexts.SENTENCE, ErrorTexts.FORM_TOKEN);
                    response.sendError(403);
                }))
                .requestCache(c -> c.disable());
        SecurityPart part = parts.getIfAvailable(() -> Security::oneBuilder);
        part.apply(http);
        return http.build();
    }

    /** One builder on one computer. */
    private static void oneBuilder(HttpSecurity http) throws Exception {
        http.authorizeHttpRequests(a -> a.anyRequest().permitAll())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .logout(l -> l.disable());
    }

    private static byte[] formKey(FormKeyMapper keys) {
        byte[] fresh = new byte[32];
        new SecureRandom().nextBytes(fresh);
        keys.keep(Base64.getEncoder().encodeToString(fresh));
        return Base64.getDecoder().decode(keys.first());
    }
}
