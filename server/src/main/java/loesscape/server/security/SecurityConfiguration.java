package loesscape.server.security;

import jakarta.servlet.DispatcherType;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;

/** Who may call what: fillers their link, everybody the sign-in page and the files of the pages, authors the rest. */
@Configuration
class SecurityConfiguration {

    private static final String CONTENT_SECURITY_POLICY = "default-src 'self'; img-src 'self' data:; "
            + "style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri 'none'; form-action 'self'; "
            + "frame-ancestors 'none'";

    @Bean
    SecurityFilterChain filters(HttpSecurity http) {
        return http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR)
                        .permitAll()
                        .requestMatchers("/api/session/**", "/api/setup")
                        .permitAll()
                        .requestMatchers(
                                "/api/fill/**",
                                "/api/sign/**",
                                "/api/signed/**",
                                "/api/open/**",
                                "/api/desk/**",
                                "/api/verify")
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/dispatches/**",
                                "/api/templates",
                                "/api/templates/*/records/**",
                                "/api/templates/*/records.csv",
                                "/api/templates/*/records.json",
                                "/api/organisation/**")
                        .hasRole("READER")
                        .requestMatchers(
                                HttpMethod.GET, "/api/templates/*/releases", "/api/templates/*/releases/*/roles")
                        .hasRole("SENDER")
                        .requestMatchers(
                                "/api/dispatches/**",
                                "/api/templates/*/releases/*/dispatches/**",
                                "/api/templates/*/open-links/**",
                                "/api/templates/*/releases/*/open-links")
                        .hasRole("SENDER")
                        .requestMatchers("/api/**")
                        .hasRole("AUTHOR")
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .csrf(csrf -> csrf.spa())
                .exceptionHandling(errors -> errors.authenticationEntryPoint((request, response, cause) ->
                                ProblemResponse.write(response, 401, "Signed out", "Sign in to go on."))
                        .accessDeniedHandler((request, response, cause) -> ProblemResponse.write(
                                response,
                                403,
                                "Not allowed",
                                "Your account may not do this; or the page is old: load it again.")))
                .headers(headers -> headers.contentSecurityPolicy(
                                policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                        .referrerPolicy(policy -> policy.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.NO_REFERRER)))
                .requestCache(cache -> cache.disable())
                .build();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        // Those of before November 2026 are bcrypt of the password itself.
        return new DelegatingPasswordEncoder(
                "digested", Map.of("digested", new DigestedPasswords(), "bcrypt", new BCryptPasswordEncoder()));
    }

    @Bean
    AuthenticationManager authenticationManager(UserDetailsService authors, PasswordEncoder encoder) {
        DaoAuthenticationProvider provider = new DaoAuthenticationProvider(authors);
        provider.setPasswordEncoder(encoder);
        return new ProviderManager(provider);
    }

    @Bean
    SecurityContextRepository securityContexts() {
        return new HttpSessionSecurityContextRepository();
    }
}
