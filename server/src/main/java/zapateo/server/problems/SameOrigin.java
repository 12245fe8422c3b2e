package zapateo.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * The door of a server on loopback: it answers to its own names only, so that no page of another name reads it, and
 * what a browser asks for comes from its own pages: a page of elsewhere may link to a view and do nothing else, neither
 * change something nor make the server compute. Callers that are no browser send neither {@code Origin} nor
 * {@code Sec-Fetch-Site} and need nothing else.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class SameOrigin extends OncePerRequestFilter {

    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");
    private static final Set<String> READS = Set.of("GET", "HEAD", "OPTIONS");
    private static final Set<String> OWN = Set.of("same-origin", "none");
    private static final String FETCH_SITE = "Sec-Fetch-Site";

    private final Set<String> names;
    private final JsonMapper json;

    /** @param names it is served under beside those of loopback, parted by commas */
    SameOrigin(@Value("${zapateo.names:}") String names, JsonMapper json) {
        this.names = Stream.concat(
                        LOOPBACK.stream(),
                        Arrays.stream(names.split(","))
                                .map(name -> name.strip().toLowerCase(Locale.ROOT))
                                .filter(name -> !name.isEmpty()))
                .collect(Collectors.toUnmodifiableSet());
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        String host = request.getHeader(HttpHeaders.HOST);
        if (host == null || !names.contains(name(host))) {
            refuse(
                    response,
                    ProblemDocuments.document(
                            HttpStatus.MISDIRECTED_REQUEST,
                            "wrong-host",
                            "This server does not answer to that name: call it by the address it was started with."));
        } else if (!READS.contains(request.getMethod()) && isFromElsewhere(request, host)) {
            refuse(
                    response,
                    ProblemDocuments.document(
                            HttpStatus.FORBIDDEN,
                            "other-origin",
                            "A page of another address may not change anything here. Nothing was changed."));
        } else if (isOfAnotherSite(request) && !isLink(request)) {
            refuse(
                    response,
                    ProblemDocuments.document(
                            HttpStatus.FORBIDDEN,
                            "other-origin",
                            "A page of another address may link to the pages here and ask for nothing else. Nothing "
                                    + "was changed."));
        } else {
            chain.doFilter(request, response);
        }
    }

    private static boolean isFromElsewhere(HttpServletRequest request, String host) {
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        return isOfAnotherSite(request)
                || origin != null && !origin.equalsIgnoreCase(request.getScheme() + "://" + host);
    }

    /** Another port of this machine is another site too. */
    private static boolean isOfAnotherSite(HttpServletRequest request) {
        String site = request.getHeader(FETCH_SITE);
        return site != null && !OWN.contains(site);
    }

    /** A person follows a link to one of the views. */
    private static boolean isLink(HttpServletRequest request) {
        return "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && !request.getRequestURI().startsWith("/api")
                && !request.getRequestURI().startsWith("/actuator");
    }

    /** A host without its port. */
    private static String name(String host) {
        try {
            String name = URI.create("http://" + host).getHost();
            return name == null ? "" : name.toLowerCase(Locale.ROOT);
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private void refuse(HttpServletResponse response, ProblemDetail document) throws IOException {
        response.setStatus(document.getStatus());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(document));
    }
}
