package org.pendrik.app.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.pendrik.app.problem.SlowBody;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds what is read of a request: everything but files has to be small, and it has to keep
 * coming. Somebody who sends a byte now and then would else hold a thread for as long as he likes.
 */
@Component
@Order(-10)
class BodyLimit extends OncePerRequestFilter {
    private static final int MOST_BYTES = 8 * 1024 * 1024;
    private static final long BYTES_PER_SECOND = 64 * 1024;
    private static final double NANOS = 1e9;

    private final double patienceSeconds;

    /**
     * @param patience how long the first bytes may take; every 64 KB give another second
     */
    BodyLimit(@Value("${pendrik.patience:10s}") Duration patience) {
        this.patienceSeconds = patience.toNanos() / NANOS;
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String type = request.getContentType();
        if (type != null
                && (type.startsWith(MediaType.APPLICATION_OCTET_STREAM_VALUE)
                        || type.startsWith("image/"))) {
            // files have bounds of their own where they are read
            chain.doFilter(new Bounded(request, Long.MAX_VALUE, patienceSeconds), response);
            return;
        }
        if (request.getContentLengthLong() > MOST_BYTES) {
            response.setStatus(413);
            response.setContentType("application/problem+json");
            response.getOutputStream()
                    .write(
                            ("{\"type\":\"urn:pendrik:problem:too-large\",\"title\":\"Too large\",\"status\":413,"
                                            + "\"detail\":\""
                                            + tooLarge().getMessage()
                                            + "\"}")
                                    .getBytes(StandardCharsets.UTF_8));
            return;
        }
        chain.doFilter(new Bounded(request, MOST_BYTES, patienceSeconds), response);
    }

    private static InvalidInput tooLarge() {
        return new InvalidInput(
                "Request",
                "more than 8 MB",
                "must have at most 8 MB",
                "A picture in it has to be smaller: half as wide is a quarter of the bytes. A photograph of a"
                        + " job may have 64 MB.");
    }

    private static final class Bounded extends HttpServletRequestWrapper {
        private final long mostBytes;
        private final double patienceSeconds;

        Bounded(HttpServletRequest request, long mostBytes, double patienceSeconds) {
            super(request);
            this.mostBytes = mostBytes;
            this.patienceSeconds = patienceSeconds;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Watched(super.getInputStream(), mostBytes, patienceSeconds);
        }
    }

    /** Counts the bytes, and the time that was spent waiting for them. */
    private static final class Watched extends ServletInputStream {
        private final ServletInputStream in;
        private final long mostBytes;
        private final double patienceSeconds;
        private long bytes;
        private long waitedNanos;

        Watched(ServletInputStream in, long mostBytes, double patienceSeconds) {
            this.in = in;
            this.mostBytes = mostBytes;
            this.patienceSeconds = patienceSeconds;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
        }

        @Override
        public int read(byte[] b, int from, int length) throws IOException {
            long since = System.nanoTime();
            int read;
            try {
                read = in.read(b, from, length);
            } catch (SocketTimeoutException e) {
                throw new SlowBody();
            }
            waitedNanos += System.nanoTime() - since;
            bytes += Math.max(0, read);
            if (bytes > mostBytes) {
                throw tooLarge();
            }
            if (waitedNanos / NANOS > patienceSeconds + (double) bytes / BYTES_PER_SECOND) {
                throw new SlowBody();
            }
            return read;
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
