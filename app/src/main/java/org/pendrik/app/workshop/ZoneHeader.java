package org.pendrik.app.workshop;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Tells the page with each answer in which time zone the workshop stands: its times are shown as
 * the clock on that wall has them, also on a tablet that thinks itself elsewhere.
 */
@Component
class ZoneHeader extends OncePerRequestFilter implements SmartInitializingSingleton {
    private static final String NAME = "Pendrik-Zone";

    private final Workshops workshops;
    private final AtomicReference<String> zone =
            new AtomicReference<>(ZoneId.systemDefault().getId());

    ZoneHeader(Workshops workshops) {
        this.workshops = workshops;
    }

    @Override
    public void afterSingletonsInstantiated() {
        zone.set(workshops.current().zoneId());
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
            response.setHeader(NAME, zone.get());
        }
        chain.doFilter(request, response);
    }
}
