package zapateo.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** A body says what it is in words that can be read, or it is not read. */
@Component
public class Envelope extends OncePerRequestFilter {

    private final JsonMapper json;

    Envelope(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isRead(request.getContentType())) {
            chain.doFilter(request, response);
            return;
        }
        response.setStatus(HttpStatus.BAD_REQUEST.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream()
                .write(json.writeValueAsBytes(ProblemDocuments.document(
                        HttpStatus.BAD_REQUEST,
                        "unreadable",
                        "The header Content-Type cannot be read: expected one such as application/json.")));
    }

    private static boolean isRead(String type) {
        if (type == null) {
            return true;
        }
        try {
            MediaType read = MediaType.parseMediaType(type);
            // Throws where the charset is none.
            read.getCharset();
            return read.isConcrete();
        } catch (IllegalArgumentException unread) {
            return false;
        }
    }
}
