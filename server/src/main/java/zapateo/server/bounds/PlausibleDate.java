package zapateo.server.bounds;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.time.temporal.ChronoField;
import java.time.temporal.TemporalAccessor;

/** A day or an instant at which somebody plays: no clock is before 1970, nobody plans beyond 2199. */
@Constraint(validatedBy = PlausibleDate.Years.class)
@Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
public @interface PlausibleDate {

    String message() default "expected a year from 1970 to 2199";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** The years there are. */
    final class Years implements ConstraintValidator<PlausibleDate, TemporalAccessor> {

        private static final int FIRST = 1970;
        private static final int LAST = 2199;

        @Override
        public boolean isValid(TemporalAccessor when, ConstraintValidatorContext context) {
            return when == null || when.get(ChronoField.YEAR) >= FIRST && when.get(ChronoField.YEAR) <= LAST;
        }
    }
}
