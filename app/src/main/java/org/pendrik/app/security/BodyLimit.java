package org.pendrik.app.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.pendrik.core.units.InvalidInput;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Bounds what is read of a request: everything but files has to be small. */
@Component
@Order(-10)
class BodyLimit extends OncePerRequestFilter {
    private static final int MOST_BYTES = 8 * 1024 * 1024;

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String type = request.getContentType();
        if (type != null && type.startsWith(MediaType.APPLICATION_OCTET_STREAM_VALUE)) {
            // files have bounds of their own where they are read
            chain.doFilter(request, response);
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
        chain.doFilter(new Bounded(request), response);
    }

    private static InvalidInput tooLarge() {
        return new InvalidInput(
                "Request", "more than 8 MB", "must have at most 8 MB", "Send it in parts.");
    }

    private static final class Bounded extends HttpServletRequestWrapper {
        Bounded(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream in = super.getInputStream();
            return new ServletInputStream() {
                private long left = MOST_BYTES;

                private int counted(int read) {
                    left -= Math.max(0, read);
                    if (left < 0) {
                        throw tooLarge();
                    }
                    return read;
                }

                @Override
                public int read() throws IOException {
                    int b = in.read();
                    counted(b < 0 ? 0 : 1);
                    return b;
                }

                @Override
                public int read(byte[] b, int from, int length) throws IOException {
                    return counted(in.read(b, from, length));
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
            };
        }
    }
}
