package org.pendrik.app.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets in only what this machine's own pages ask.
 *
 * <p>A page from elsewhere could make a name of its own point at 127.0.0.1; the Host header then
 * carries that name, so any host but a loopback one is refused. A request that changes something
 * must come from the same origin.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestGuard extends OncePerRequestFilter {
    /** The header that carries the moment of the answer. */
    private static final String CLOCK = "Pendrik-Clock";

    private static final Set<String> OWN = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS");

    private final Clock clock;

    RequestGuard(Clock clock) {
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        if (host == null || !OWN.contains(name(host))) {
            refuse(
                    response,
                    421,
                    "This address is not Pendrik's own. Open it at http://127.0.0.1.");
            return;
        }
        String origin = request.getHeader("Origin");
        boolean changes = !SAFE.contains(request.getMethod());
        String site = request.getHeader("Sec-Fetch-Site");
        boolean foreign =
                origin == null
                        ? "cross-site".equals(site) || "same-site".equals(site)
                        : !isOwn(origin, host);
        if (changes && foreign) {
            refuse(response, 403, "Another page tried to change something here. It was refused.");
            return;
        }
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Content-Security-Policy", "frame-ancestors 'none'");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        if (request.getRequestURI().startsWith("/api/")) {
            response.setHeader("Cache-Control", "no-store");
            // the page counts by this clock, not by that of a tablet which is minutes off
            response.setHeader(CLOCK, clock.instant().truncatedTo(ChronoUnit.MILLIS).toString());
        }
        chain.doFilter(request, response);
    }

    private static boolean isOwn(String origin, String host) {
        @Nullable URI uri;
        try {
            uri = URI.create(origin);
        } catch (IllegalArgumentException e) {
            return false;
        }
        return "http".equals(uri.getScheme()) && host.equals(uri.getRawAuthority());
    }

    private static String name(String host) {
        int colon = host.lastIndexOf(':');
        boolean port = colon > 0 && host.indexOf(']') < colon;
        return port ? host.substring(0, colon) : host;
    }

    private static void refuse(HttpServletResponse response, int status, String detail)
            throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.getWriter()
                .write(
                        "{\"title\":\"Refused\",\"status\":"
                                + status
                                + ",\"detail\":\""
                                + detail
                                + "\"}");
    }
}
