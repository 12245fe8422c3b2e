package zapateo.server.bounds;

import jakarta.validation.Constraint;
import jakarta.validation.Payload;
import jakarta.validation.ReportAsSingleViolation;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** Ticks from a bar line; what leads into the first bar lies before it. */
@Min(-100_000)
@Max(1_000_000)
@ReportAsSingleViolation
@Constraint(validatedBy = {})
@Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
public @interface TicksInBar {

    String message() default "expected -100000 to 1000000 ticks";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};
}
