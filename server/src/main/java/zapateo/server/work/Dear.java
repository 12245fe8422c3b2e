package zapateo.server.work;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A request that is worked on for long: few at once, the others wait a little or are asked to come again. */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface Dear {

    /** Of processor time, after which it is given up. */
    int seconds() default Works.MOST_SECONDS;
}
