package zapateo.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import org.springdoc.core.customizers.GlobalOpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the OpenAPI document says beyond what the controllers show by themselves. */
@Configuration
class OpenApiDocument {

    @Bean
    GlobalOpenApiCustomizer describe() {
        return document -> {
            document.info(new Info().title("Zapateo").version("1")
                    .description("Ticks count 960 to the quarter note. Errors are RFC 9457 problem documents."));
            document.servers(List.of(new Server().url("/")));
            requireAnswers(document);
        };
    }

    /** No field of an answer is ever absent; what may be empty is null. Requests say themselves what they need. */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void requireAnswers(OpenAPI document) {
        document.getComponents().getSchemas().forEach((name, schema) -> {
            if (name.endsWith("View") && schema.getProperties() != null) {
                schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
            }
        });
    }
}
