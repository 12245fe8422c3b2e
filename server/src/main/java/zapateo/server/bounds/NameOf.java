package zapateo.server.bounds;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The name of a value of a closed list of the core's; the OpenAPI document lists all of them. */
@Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER})
@Retention(RetentionPolicy.RUNTIME)
public @interface NameOf {

    Class<? extends Enum<?>> value();
}
