package yellowrail.app.lan;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.web.server.servlet.CookieSameSiteSupplier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.authentication.rememberme.RememberMeAuthenticationFilter;
import yellowrail.app.web.SecurityPart;

/** On the local network nothing but the sign-in page answers to a device that does not know the passphrase. */
@Configuration
@ConditionalOnProperty("yellowrail.lan")
class NetworkSecurity implements SecurityPart {
    static final String SIGN_IN = "/sign-in";

    private final Passphrase passphrase;
    private final RememberedDevices devices;
    private final Clock clock;
    private final SignInThrottle throttle = new SignInThrottle();

    NetworkSecurity(Passphrase passphrase, RememberedDevices devices, Clock clock) {
        this.passphrase = passphrase;
        this.devices = devices;
        this.clock = clock;
    }

    @Bean
    CookieSameSiteSupplier strictCookies() {
        return CookieSameSiteSupplier.ofStrict();
    }

    @Override
    public void apply(HttpSecurity http) throws Exception {
        DaoAuthenticationProvider provider = new DaoAuthenticationProvider(passphrase);
        provider.setPasswordEncoder(passphrase);
        http.authorizeHttpRequests(
                        a -> a.requestMatchers(SIGN_IN).permitAll().anyRequest().authenticated())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.IF_REQUIRED))
                .authenticationProvider(provider)
                .formLogin(f -> f.loginPage(SIGN_IN)
                        .passwordParameter("passphrase")
                        .successHandler(this::signedIn)
                        .failureHandler((request, response, wrong) ->
                                SignInPage.show(request, response, 401, "That is not the passphrase.")))
                .rememberMe(r -> r.rememberMeServices(devices).key(devices.getKey()))
                .logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl(SIGN_IN).deleteCookies(SESSION_COOKIE))
                .addFilterBefore(new CurrentKey(passphrase), RememberMeAuthenticationFilter.class)
                .addFilterBefore(new ThrottledSignIn(throttle, clock), UsernamePasswordAuthenticationFilter.class)
                .exceptionHandling(e -> e.authenticationEntryPoint(
                        (request, response, none) -> SignInPage.show(request, response, 401, "")));
    }

    private void signedIn(HttpServletRequest request, HttpServletResponse response, Authentication authentication)
            throws IOException, ServletException {
        throttle.right(request.getRemoteAddr());
        response.setStatus(303);
        response.setHeader("Location", SignInPage.back(request));
    }

    /** A session begun before every device was signed out is none. */
    static void end(HttpServletRequest request) {
        if (request.getSession(false) != null) {
            request.getSession(false).invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    private static final String SESSION_COOKIE = "yellow-rail-session";
}
