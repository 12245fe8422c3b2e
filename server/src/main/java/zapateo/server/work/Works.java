package zapateo.server.work;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import zapateo.search.Patience;
import zapateo.server.problems.Refusal;

/** What is computed at the moment: how many at once, how long each may take, and which of them nobody waits for any more (docs/LIMITS.md). */
@Component
public class Works implements HandlerInterceptor, WebMvcConfigurer {

    public static final int MOST_SECONDS = 5;
    /** By what name a page may stop a request it waits for no longer; callers that do not stop any send none. */
    static final String NAME = "Zapateo-Work";
    private static final int LONGEST_NAME = 64;
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final String ENTERED = Works.class.getName() + ".entered";

    private final Gate dear = new Gate(2, 4, 2_000);
    private final Gate computing = new Gate(3, 56, 8_000);
    private final Map<String, AtomicBoolean> named = new ConcurrentHashMap<>();

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    /** Nobody waits for it any more. */
    void stop(String name) {
        AtomicBoolean stopped = named.get(name);
        if (stopped != null) {
            stopped.set(true);
        }
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod method)) {
            return true;
        }
        Dear costly = method.getMethodAnnotation(Dear.class);
        boolean computes = costly != null || method.hasMethodAnnotation(Computes.class) || method.getBeanType().isAnnotationPresent(Computes.class);
        if (!computes) {
            return true;
        }
        Gate gate = costly != null ? dear : computing;
        if (!gate.enter()) {
            throw Refusal.busy();
        }
        request.setAttribute(ENTERED, gate);
        String name = request.getHeader(NAME);
        AtomicBoolean stopped = new AtomicBoolean();
        if (name != null && name.length() <= LONGEST_NAME) {
            named.put(name, stopped);
        }
        long most = (costly != null ? costly.seconds() : MOST_SECONDS) * 1_000_000_000L;
        Patience.begin(new Spent(stopped, System.nanoTime() + most, THREADS.getCurrentThreadCpuTime() + most));
        return true;
    }

    /** A thread's own time is dear to ask for, and it is never more than has gone by. */
    private record Spent(AtomicBoolean stopped, long soonest, long until) implements BooleanSupplier {

        @Override
        public boolean getAsBoolean() {
            return stopped.get() || System.nanoTime() - soonest > 0 && THREADS.getCurrentThreadCpuTime() > until;
        }
    }

    @Override
    public void afterCompletion(HttpServletRequest request, HttpServletResponse response, Object handler, Exception thrown) {
        if (request.getAttribute(ENTERED) instanceof Gate gate) {
            request.removeAttribute(ENTERED);
            Patience.end();
            gate.leave();
            String name = request.getHeader(NAME);
            if (name != null) {
                named.remove(name);
            }
        }
    }
}
