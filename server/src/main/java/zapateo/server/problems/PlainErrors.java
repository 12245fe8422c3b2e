package zapateo.server.problems;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Errors that come up outside of the application's own pages, the container's too: problem documents like all others,
 * and not a word of the machine.
 */
@Hidden
@RestController
class PlainErrors implements ErrorController {

    private static final String DETAIL =
            "This address, or what came with it, is none there is an answer to. GET /api/openapi tells those there "
                    + "are.";

    /** Where the container sends what went wrong; by itself it is no page. */
    @RequestMapping("${server.error.path:${error.path:/error}}")
    ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
        Object told = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = told instanceof Integer code && HttpStatus.resolve(code) != null
                ? HttpStatus.valueOf(code)
                : HttpStatus.NOT_FOUND;
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(ProblemDetail.forStatusAndDetail(status, DETAIL));
    }

    /** What the container refuses before the application sees it. */
    @Component
    static class Container implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(context -> {
                if (context.getParent() instanceof StandardHost host) {
                    host.setErrorReportValveClass(ProblemValve.class.getName());
                }
            });
        }
    }

    /** The container's own report as a problem document. */
    public static final class ProblemValve extends ErrorReportValve {

        @Override
        protected void report(Request request, Response response, Throwable thrown) {
            int status = response.getStatus();
            if (status < HttpStatus.BAD_REQUEST.value()
                    || response.getContentWritten() > 0
                    || !response.setErrorReported()) {
                return;
            }
            HttpStatus known = HttpStatus.resolve(status);
            String title = known == null ? "" : known.getReasonPhrase();
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.getOutputStream()
                        .write(("{\"status\":" + status + ",\"title\":\"" + title + "\",\"detail\":\"" + DETAIL + "\"}")
                                .getBytes(StandardCharsets.UTF_8));
                response.finishResponse();
            } catch (IOException | IllegalStateException e) {
                // Whoever asked is gone.
                return;
            }
        }
    }
}
