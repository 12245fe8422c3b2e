package zapateo.server.work;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A method that computes music whose answer is never there already, or a controller of such methods: so many at once
 * that what only reads and saves never waits behind them. What is kept once it is computed takes its place where it is
 * missed ({@link Works#enter}).
 */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
public @interface Computes {}
