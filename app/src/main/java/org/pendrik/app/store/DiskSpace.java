package org.pendrik.app.store;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses changes while the disk is nearly full, so that neither the database nor a file is cut off
 * in the middle; looking at things goes on, and so do changes once there is space.
 */
@Component
@Order(0)
class DiskSpace extends OncePerRequestFilter {
    private static final Set<String> LOOKS = Set.of("GET", "HEAD", "OPTIONS");

    private final DataFolder data;
    private final long leastBytes;

    /**
     * @param leastBytes that have to be free for a change
     */
    DiskSpace(DataFolder data, @Value("${pendrik.disk.least-bytes:25165824}") long leastBytes) {
        this.data = data;
        this.leastBytes = leastBytes;
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean changes =
                !LOOKS.contains(request.getMethod())
                        && request.getRequestURI().startsWith("/api/")
                        && !request.getRequestURI().startsWith("/api/calc/");
        if (changes && Files.getFileStore(data.root()).getUsableSpace() < leastBytes) {
            response.setStatus(507);
            response.setContentType("application/problem+json");
            response.getOutputStream()
                    .write(
                            ("{\"type\":\"urn:pendrik:problem:full\",\"title\":\"The disk is full\",\"status\":507,"
                                            + "\"detail\":\""
                                            + text(data)
                                            + "\"}")
                                    .getBytes(StandardCharsets.UTF_8));
            return;
        }
        chain.doFilter(request, response);
    }

    /** What is said of a full disk. */
    static String text(DataFolder data) {
        return "The disk that holds "
                + data.root().toString().replace("\\", "/").replace("\"", "'")
                + " is full. Nothing was changed. Free some space and repeat it; Pendrik need not be started again.";
    }
}
