package loesscape.server.accounts;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import loesscape.server.platform.doors.ProblemResponse;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.SecurityLog;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfException;

/**
 * Who may call what: fillers their link, everybody the sign-in page and the files of the pages, and accounts what their role
 * allows, with those templates and dispatches that are theirs or shared with them.
 */
@Configuration
class SecurityConfiguration {

    private static final String CONTENT_SECURITY_POLICY = "default-src 'self'; img-src 'self' data:; "
            + "style-src 'self' 'unsafe-inline'; object-src 'none'; base-uri 'none'; form-action 'self'; "
            + "frame-ancestors 'none'";

    private static final List<String> FOR_ALL = List.of(
            "/api/session",
            "/api/setup",
            "/healthz",
            "/api/fill",
            "/api/sign",
            "/api/signed",
            "/api/open",
            "/api/desk",
            "/api/verify");

    @Bean
    SecurityFilterChain filters(
            HttpSecurity http, BoundTokens tokens, Rights rights, AccountStore accounts, SecurityLog log) {
        return http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR)
                        .permitAll()
                        .requestMatchers(
                                FOR_ALL.stream().map(way -> way + "/**").toArray(String[]::new))
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/templates/{id}/records/**",
                                "/api/templates/{id}/records.csv",
                                "/api/templates/{id}/records.json")
                        .access(may(AccountRole.READER, Right.SEE, rights::of))
                        .requestMatchers(HttpMethod.GET, "/api/dispatches/{id}/**")
                        .access(may(AccountRole.READER, Right.SEE, rights::ofDispatch))
                        .requestMatchers(HttpMethod.GET, "/api/dispatches", "/api/templates", "/api/organisation/**")
                        .hasRole("READER")
                        .requestMatchers("/api/dispatches/{id}/delete")
                        .access(may(AccountRole.AUTHOR, Right.WRITE, rights::ofDispatch))
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/templates/{id}/releases",
                                "/api/templates/{id}/releases/*/roles",
                                "/api/templates/{id}/releases/*/form.*")
                        .access(may(AccountRole.SENDER, Right.SEND, rights::of))
                        .requestMatchers(
                                "/api/templates/{id}/answers",
                                "/api/templates/{id}/merges/**",
                                "/api/templates/{id}/releases/*/dispatches/**",
                                "/api/templates/{id}/open-links/**",
                                "/api/templates/{id}/releases/*/open-links")
                        .access(may(AccountRole.SENDER, Right.SEND, rights::of))
                        .requestMatchers("/api/dispatches/{id}/**")
                        .access(may(AccountRole.SENDER, Right.WRITE, rights::ofDispatch))
                        .requestMatchers("/api/templates/{id}/access/**")
                        .access(may(AccountRole.AUTHOR, Right.OWN, rights::of))
                        .requestMatchers("/api/templates", "/api/templates/import")
                        .hasRole("AUTHOR")
                        .requestMatchers("/api/templates/{id}/**")
                        .access(may(AccountRole.AUTHOR, Right.WRITE, rights::of))
                        .requestMatchers("/api/**")
                        .hasRole("AUTHOR")
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens))
                .addFilterAfter(new CurrentAccount(accounts), SecurityContextHolderFilter.class)
                .exceptionHandling(errors -> errors.authenticationEntryPoint((request, response, cause) ->
                                ProblemResponse.write(response, 401, "Signed out", "Sign in to go on."))
                        .accessDeniedHandler((request, response, cause) -> {
                            Authentication asking =
                                    SecurityContextHolder.getContext().getAuthentication();
                            if (cause instanceof CsrfException && isStranger(asking) && !isForAll(request)) {
                                // Their session has ended, and the token with it.
                                ProblemResponse.write(response, 401, "Signed out", "Sign in to go on.");
                                return;
                            }
                            log.tell(
                                    SecurityEvent.REFUSED,
                                    name(asking),
                                    request.getRemoteAddr(),
                                    Map.of("asked", request.getMethod()));
                            ProblemResponse.write(
                                    response,
                                    403,
                                    "Not allowed",
                                    "Your account may not do this; or the page is old: load it again.");
                        }))
                .headers(headers -> headers.contentSecurityPolicy(
                                policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                        .referrerPolicy(policy -> policy.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.NO_REFERRER)))
                .requestCache(cache -> cache.disable())
                .build();
    }

    private static boolean isStranger(@Nullable Authentication authentication) {
        return authentication == null || !(authentication.getPrincipal() instanceof Author);
    }

    private static boolean isForAll(HttpServletRequest request) {
        return FOR_ALL.stream().anyMatch(request.getRequestURI()::startsWith);
    }

    private static String name(@Nullable Authentication authentication) {
        return authentication != null && authentication.getPrincipal() instanceof Author author ? author.name() : "";
    }

    /**
     * Whether an account may do something with what the address names as {@code id}. Where there is no such thing, whoever is
     * asked for it says so.
     */
    private static AuthorizationManager<RequestAuthorizationContext> may(
            AccountRole role, Right right, BiFunction<Author, UUID, Optional<Right>> rights) {
        return (authentication, context) -> {
            Authentication known = authentication.get();
            if (known == null
                    || !(known.getPrincipal() instanceof Author author)
                    || author.role().compareTo(role) < 0) {
                return new AuthorizationDecision(false);
            }
            UUID id = identity(context.getVariables().get("id"));
            return new AuthorizationDecision(id == null
                    || rights.apply(author, id).map(has -> has.reaches(right)).orElse(true));
        };
    }

    private static @Nullable UUID identity(@Nullable String text) {
        try {
            return text == null ? null : UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            return null;
        }
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
