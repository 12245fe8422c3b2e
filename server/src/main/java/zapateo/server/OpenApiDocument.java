package zapateo.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.springdoc.core.customizers.GlobalOpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Range;
import zapateo.names.Names;
import zapateo.server.bounds.NameOf;

/** What the OpenAPI document says beyond what the controllers show by themselves. */
@Configuration
class OpenApiDocument {

    private static final String ABSENT = "absent ";

    @Bean
    GlobalOpenApiCustomizer describe(
            @Qualifier("requestMappingHandlerMapping") ObjectProvider<RequestMappingHandlerMapping> handlers) {
        return document -> {
            document.info(new Info()
                    .title("Zapateo")
                    .version("1")
                    .description("Ticks count 960 to the quarter note. Errors are RFC 9457 problem documents."));
            document.servers(List.of(new Server().url("/")));
            requireAnswers(document);
            allowNothing(document);
            nameChoices(document);
            tellKinds(document);
            RequestBounds.tell(document, handlers.getObject());
        };
    }

    /** Values of a closed list are those of the list itself. */
    @Bean
    PropertyCustomizer listNames() {
        return (property, type) -> {
            if (type.getCtxAnnotations() != null) {
                Stream.of(type.getCtxAnnotations())
                        .filter(NameOf.class::isInstance)
                        .findFirst()
                        .ifPresent(list -> property.setEnum(Names.all(((NameOf) list).value())));
            }
            return property;
        };
    }

    /**
     * What is one of several kinds stands by itself, with the name of its kind; it is not said that each is also the
     * whole.
     */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void tellKinds(OpenAPI document) {
        Map<String, Schema> schemas = document.getComponents().getSchemas();
        schemas.values().stream()
                .filter(schema -> schema.getDiscriminator() != null)
                .toList()
                .forEach(whole -> {
                    String kind = whole.getDiscriminator().getPropertyName();
                    whole.getDiscriminator().getMapping().forEach((value, reference) -> {
                        Schema<?> one = schemas.get(reference.substring(reference.lastIndexOf('/') + 1));
                        Map<String, Schema> properties = new LinkedHashMap<>();
                        properties.put(
                                kind,
                                new Schema<Object>().types(Set.of("string"))._enum(List.of(value)));
                        one.getAllOf().stream()
                                .filter(part -> part.getProperties() != null)
                                .forEach(part -> properties.putAll(((Schema<?>) part).getProperties()));
                        one.setAllOf(null);
                        one.setTypes(Set.of("object"));
                        one.setProperties(properties);
                        one.addRequiredItem(kind);
                    });
                    whole.setProperties(null);
                    whole.setRequired(null);
                });
    }

    /** What may be null is one thing or the other: beside a reference alone {@code null} would have to be both. */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void allowNothing(OpenAPI document) {
        document.getComponents().getSchemas().values().stream()
                .filter(schema -> schema.getProperties() != null)
                .forEach(schema -> ((Map<String, Schema>) schema.getProperties())
                        .replaceAll((name, its) -> its.get$ref() != null
                                        && its.getTypes() != null
                                        && its.getTypes().contains("null")
                                ? new Schema<>()
                                        .anyOf(List.of(
                                                new Schema<>().$ref(its.get$ref()),
                                                new Schema<>().types(Set.of("null"))))
                                : its));
    }

    /** Where choices stand by their names, the names are those of the table. */
    private static void nameChoices(OpenAPI document) {
        Map.of(
                        "ChoicesRequest",
                        Choice.Place.SONG,
                        "OptionsRequest",
                        Choice.Place.SECTION,
                        "OverrideRequest",
                        Choice.Place.BARS,
                        "RightRequest",
                        Choice.Place.RIGHT,
                        "MannerRequest",
                        Choice.Place.RIGHT_SECTION)
                .forEach((name, place) -> {
                    Schema<?> schema = document.getComponents().getSchemas().get(name);
                    Map<String, Schema> properties = new LinkedHashMap<>();
                    SongChoice.in(place).forEach(choice -> properties.put(choice.id(), schema(choice)));
                    if (schema.getProperties() != null) {
                        schema.getProperties().forEach((property, its) -> {
                            if (!property.equals("values") && !property.equals("\u0000")) {
                                properties.put(property, its);
                            }
                        });
                    }
                    schema.setProperties(properties);
                    schema.setAdditionalProperties(null);
                    if (properties.containsKey("style")) {
                        schema.addRequiredItem("style");
                    }
                });
    }

    @SuppressWarnings("unchecked")
    private static Schema<?> schema(Choice<?> choice) {
        Range<?> range = choice.range();
        Schema<Object> schema = new Schema<>();
        schema.setTypes(Set.of(
                switch (range.form()) {
                    case TEXT -> "string";
                    case WHOLE -> "integer";
                    case NUMBER -> "number";
                    case YES_NO -> "boolean";
                    case WHOLES, TEXTS -> "array";
                }));
        Schema<?> one = schema;
        if (range.form() == Range.Form.WHOLES || range.form() == Range.Form.TEXTS) {
            one = new Schema<>().types(Set.of(range.form() == Range.Form.WHOLES ? "integer" : "string"));
            schema.setItems(one);
            schema.setMinItems(range.lengths().fewest());
            schema.setMaxItems(range.lengths().most());
        }
        if (!range.values().isEmpty()) {
            schema.setEnum(List.copyOf(range.values()));
        } else if (range.form() == Range.Form.TEXT || range.form() == Range.Form.TEXTS) {
            one.setMaxLength((int) range.most());
        } else if (range.form() != Range.Form.YES_NO) {
            one.setMinimum(BigDecimal.valueOf(range.least()));
            one.setMaximum(BigDecimal.valueOf(range.most()));
        }
        schema.setDescription(choice.use() + "; expected " + range.expected()
                + choice.usual()
                        .map(usual -> "; where it is absent "
                                + ((Range<Object>) range).writer().apply(usual))
                        .orElse(""));
        return schema;
    }

    /**
     * A field of an answer is there unless its description says where it is absent; what may be empty is null. Requests
     * say themselves what they need.
     */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void requireAnswers(OpenAPI document) {
        document.getComponents().getSchemas().forEach((name, schema) -> {
            if (name.endsWith("View") && schema.getProperties() != null) {
                List<String> always = new ArrayList<>();
                ((Map<String, Schema>) schema.getProperties()).forEach((property, its) -> {
                    if (its.getDescription() == null || !its.getDescription().startsWith(ABSENT)) {
                        always.add(property);
                    }
                });
                schema.setRequired(always);
            }
        });
    }
}
