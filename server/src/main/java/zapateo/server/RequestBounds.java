package zapateo.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.Parameter;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.Set;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import zapateo.server.bounds.ShortText;

/**
 * The bounds of all that a request may hold, as the validator has them, written into the OpenAPI document: those of
 * {@link zapateo.server.bounds} stand for others, which the document's maker does not see by itself.
 */
final class RequestBounds {

    private static final String OURS = ShortText.class.getPackageName();

    private final OpenAPI document;
    private final Set<Class<?>> told = new HashSet<>();

    private RequestBounds(OpenAPI document) {
        this.document = document;
    }

    static void tell(OpenAPI document, RequestMappingHandlerMapping handlers) {
        RequestBounds bounds = new RequestBounds(document);
        handlers.getHandlerMethods().forEach((mapping, method) -> {
            for (Parameter parameter : method.getMethod().getParameters()) {
                if (parameter.isAnnotationPresent(RequestBody.class)) {
                    bounds.tell(parameter.getType());
                } else {
                    bounds.tell(mapping, parameter);
                }
            }
        });
    }

    private void tell(RequestMappingInfo mapping, Parameter parameter) {
        for (String path : mapping.getPatternValues()) {
            PathItem item = document.getPaths().get(path);
            for (RequestMethod method : mapping.getMethodsCondition().getMethods()) {
                Operation operation =
                        item == null ? null : item.readOperationsMap().get(PathItem.HttpMethod.valueOf(method.name()));
                if (operation != null && operation.getParameters() != null) {
                    operation.getParameters().stream()
                            .filter(each -> each.getName().equals(parameter.getName()))
                            .forEach(each -> tell(each.getSchema(), parameter.getAnnotatedType()));
                }
            }
        }
    }

    /** A record by its fields, one of several kinds by each of them. */
    private void tell(Class<?> type) {
        if (!told.add(type)) {
            return;
        }
        if (type.isSealed()) {
            for (Class<?> kind : type.getPermittedSubclasses()) {
                tell(kind);
            }
        }
        Schema<?> schema = document.getComponents().getSchemas().get(type.getSimpleName());
        if (type.isRecord() && schema != null && schema.getProperties() != null) {
            for (RecordComponent component : type.getRecordComponents()) {
                Schema<?> property = (Schema<?>) schema.getProperties().get(component.getName());
                if (property != null) {
                    tell(property, component.getAnnotatedType());
                }
            }
        }
    }

    private void tell(Schema<?> schema, AnnotatedType type) {
        for (Annotation annotation : type.getAnnotations()) {
            if (annotation.annotationType().getPackageName().equals(OURS)) {
                for (Annotation means : annotation.annotationType().getAnnotations()) {
                    bound(schema, means);
                }
            } else {
                bound(schema, annotation);
            }
        }
        if (type instanceof AnnotatedParameterizedType several) {
            AnnotatedType[] of = several.getAnnotatedActualTypeArguments();
            Object inner = of.length > 1 ? schema.getAdditionalProperties() : schema.getItems();
            if (inner instanceof Schema<?> each) {
                tell(each, of[of.length - 1]);
            }
        } else if (type.getType() instanceof Class<?> plain) {
            tell(plain);
        }
    }

    private static void bound(Schema<?> schema, Annotation annotation) {
        if (annotation instanceof Min least) {
            schema.setMinimum(BigDecimal.valueOf(least.value()));
        } else if (annotation instanceof Max most) {
            schema.setMaximum(BigDecimal.valueOf(most.value()));
        } else if (annotation instanceof DecimalMin least) {
            schema.setMinimum(new BigDecimal(least.value()));
        } else if (annotation instanceof DecimalMax most) {
            schema.setMaximum(new BigDecimal(most.value()));
        } else if (annotation instanceof Size size) {
            size(schema, size);
        }
    }

    private static void size(Schema<?> schema, Size size) {
        boolean text = is(schema, "string");
        if (text) {
            schema.setMaxLength(size.max());
        } else if (is(schema, "array")) {
            schema.setMaxItems(size.max());
        } else {
            schema.setMaxProperties(size.max());
        }
        if (size.min() > 0 && text) {
            schema.setMinLength(size.min());
        } else if (size.min() > 0) {
            schema.setMinItems(size.min());
        }
    }

    private static boolean is(Schema<?> schema, String type) {
        return type.equals(schema.getType())
                || schema.getTypes() != null && schema.getTypes().contains(type);
    }
}
