package zapateo.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Refuses request bodies over 1 MiB, also those that do not say how long they are. */
@Component
public class BodyLimit extends OncePerRequestFilter {

    static final int MOST_BYTES = 1 << 20;

    private final JsonMapper json;

    BodyLimit(JsonMapper json) {
        this.json = json;
    }

    static ProblemDetail document() {
        return ProblemDocuments.document(HttpStatus.CONTENT_TOO_LARGE, "too-large", "The request is larger than 1 MiB, the most that is taken at once.");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        if (request.getContentLengthLong() > MOST_BYTES) {
            response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(json.writeValueAsBytes(document()));
            return;
        }
        chain.doFilter(request.getContentLengthLong() >= 0 ? request : new Counted(request), response);
    }

    /** Thrown while a body of unknown length is read past the limit. */
    static final class TooLarge extends IOException {

        private static final long serialVersionUID = 1;
    }

    private static final class Counted extends HttpServletRequestWrapper {

        private ServletInputStream counted;

        private Counted(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (counted == null) {
                counted = new CountedStream(super.getInputStream());
            }
            return counted;
        }
    }

    private static final class CountedStream extends ServletInputStream {

        private final ServletInputStream in;
        private long read;

        private CountedStream(ServletInputStream in) {
            this.in = in;
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
            if (read > MOST_BYTES) {
                throw new TooLarge();
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
