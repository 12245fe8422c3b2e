package zapateo.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Refuses request bodies over 1 MiB, a file of one song over 16 MiB and one of many over 32 MiB, also those that do not
 * say how long they are.
 */
@Component
public class BodyLimit extends OncePerRequestFilter {

    static final int MOST_BYTES = 1 << 20;
    /** A song in a file, and many of them in one. */
    private static final Map<String, Integer> FILES =
            Map.of("/api/songs/import", 16 << 20, "/api/sets/import", 32 << 20, "/api/keeping/everything", 32 << 20);

    private final JsonMapper json;

    BodyLimit(JsonMapper json) {
        this.json = json;
    }

    static ProblemDetail document(int most) {
        return ProblemDocuments.document(
                HttpStatus.CONTENT_TOO_LARGE,
                "too-large",
                "The request is larger than " + (most >> 20) + " MiB, the most that is taken at once.");
    }

    private static int most(HttpServletRequest request) {
        return FILES.getOrDefault(request.getRequestURI(), MOST_BYTES);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int most = most(request);
        if (request.getContentLengthLong() > most) {
            response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(json.writeValueAsBytes(document(most)));
            return;
        }
        chain.doFilter(request.getContentLengthLong() >= 0 ? request : new Counted(request, most), response);
    }

    /** Thrown while a body of unknown length is read past the limit. */
    static final class TooLarge extends IOException {

        private static final long serialVersionUID = 1;
        private final int most;

        private TooLarge(int most) {
            this.most = most;
        }

        int most() {
            return most;
        }
    }

    private static final class Counted extends HttpServletRequestWrapper {

        private final int most;
        private ServletInputStream counted;

        private Counted(HttpServletRequest request, int most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (counted == null) {
                counted = new CountedStream(super.getInputStream(), most);
            }
            return counted;
        }
    }

    private static final class CountedStream extends ServletInputStream {

        private final ServletInputStream in;
        private final int most;
        private long read;

        private CountedStream(ServletInputStream in, int most) {
            this.in = in;
            this.most = most;
        }

        @Override
        public int read() throws IOException {
            int next = in.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int got = in.read(bytes, offset, length);
            count(Math.max(0, got));
            return got;
        }

        private void count(int more) throws TooLarge {
            read += more;
            if (read > most) {
                throw new TooLarge(most);
            }
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
