package org.pendrik.app.workshop;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Tells the page with each answer in which time zone the workshop stands: its times are shown as
 * the clock on that wall has them, also on a tablet that thinks itself elsewhere.
 */
@Component
class ZoneHeader extends OncePerRequestFilter {
    private static final String NAME = "Pendrik-Zone";

    private final Workshops workshops;

    /** Null before the first answer. */
    private final AtomicReference<@Nullable String> zone = new AtomicReference<>();

    ZoneHeader(Workshops workshops) {
        this.workshops = workshops;
    }

    private String zone() {
        String known = zone.get();
        if (known != null) {
            return known;
        }
        String read = workshops.current().zoneId();
        // what was changed since then has come by its event and stays
        return zone.compareAndSet(null, read) ? read : zone();
    }

    /** A changed zone counts as soon as it is stored, not before. */
    @TransactionalEventListener
    void changed(Workshops.Changed event) {
        zone.set(event.workshop().zoneId());
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getRequestURI().startsWith("/api/")) {
            response.setHeader(NAME, zone());
        }
        chain.doFilter(request, response);
    }
}
