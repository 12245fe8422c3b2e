package zapateo.server.work;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import zapateo.search.Patience;
import zapateo.server.problems.Refusal;

/**
 * What is computed at the moment: how many at once, how long each may take, and which of them nobody waits for any more
 * (docs/LIMITS.md). Each request has its time from its beginning on, whatever it does; a place it takes where it first
 * computes something that is not there already ({@link #enter}), and has it until it is answered.
 */
@Component
public class Works implements HandlerInterceptor, WebMvcConfigurer {

    public static final int MOST_SECONDS = 5;
    /**
     * By what name a page may stop a request it waits for no longer, and ask how far it is; callers that do neither
     * send none.
     */
    static final String NAME = "Zapateo-Work";
    /** Which tab of a browser asks; callers that are none send none, each of their requests counts by itself. */
    static final String TAB = "Zapateo-Tab";

    private static final int LONGEST_NAME = 64;
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private final Gate dear = new Gate(2, 4, 2_000);
    private final Gate computing = new Gate(3, 56, 8_000);
    private final Map<String, Work> named = new ConcurrentHashMap<>();
    private final ThreadLocal<Work> current = new ThreadLocal<>();
    private final Clients clients;

    Works(Clients clients) {
        this.clients = clients;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    /** Nobody waits for it any more. */
    void stop(String name) {
        Optional.ofNullable(named.get(name)).ifPresent(Work::stop);
    }

    /** How far a request is; empty where there is none of that name that tells. */
    Optional<Progress> progress(String name) {
        return Optional.ofNullable(named.get(name)).map(Work::progress);
    }

    /** How many compute at the moment, dear ones aside. */
    public int computing() {
        return computing.taken();
    }

    /** How many wait to. */
    public int waiting() {
        return computing.waiting();
    }

    /** How far it is: {@code done} of {@code of} songs. */
    public record Progress(int done, int of) {}

    /**
     * The request of this thread is so far.
     *
     * @throws Patience.GivenUp where nobody waits for it any more
     */
    public void isAt(int done, int of) {
        Work work = current.get();
        if (work != null) {
            work.isAt(new Progress(done, of));
        }
    }

    /**
     * Takes a place for the request of this thread, unless it has one: to be called where something is computed that is
     * not there already.
     *
     * @throws Refusal where there is none, with the request to come again
     * @throws Patience.GivenUp where nobody waits for it any more
     */
    public void enter() {
        Work work = current.get();
        if (work != null) {
            work.enter(computing);
        }
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod method)) {
            return true;
        }
        Dear costly = method.getMethodAnnotation(Dear.class);
        String name = header(request, NAME);
        Work work = new Work(
                name,
                Optional.ofNullable(header(request, TAB))
                        .orElseGet(() -> UUID.randomUUID().toString()),
                new Clients.Connection(request.getLocalPort(), request.getRemotePort()));
        if (name != null) {
            named.put(name, work);
        }
        current.set(work);
        work.begin((costly != null ? costly.seconds() : MOST_SECONDS) * 1_000_000_000L);
        try {
            if (costly != null) {
                work.enter(dear);
            } else if (method.hasMethodAnnotation(Computes.class)
                    || method.getBeanType().isAnnotationPresent(Computes.class)) {
                work.enter(computing);
            }
        } catch (Refusal | Patience.GivenUp refused) {
            end();
            throw refused;
        }
        return true;
    }

    private static String header(HttpServletRequest request, String name) {
        String value = request.getHeader(name);
        return value == null || value.isBlank() || value.length() > LONGEST_NAME ? null : value;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception thrown) {
        end();
    }

    private void end() {
        Work work = current.get();
        if (work != null) {
            current.remove();
            work.end();
        }
    }

    /** One request on its way. */
    private final class Work {

        private final String name;
        private final String tab;
        private final Clients.Connection connection;
        private volatile boolean stopped;
        private volatile Progress progress = new Progress(0, 0);
        private Gate entered;

        private Work(String name, String tab, Clients.Connection connection) {
            this.name = name;
            this.tab = tab;
            this.connection = connection;
        }

        private void stop() {
            stopped = true;
        }

        private Progress progress() {
            return progress;
        }

        private void isAt(Progress far) {
            progress = far;
            if (stopped) {
                Patience.check();
            }
        }

        /** A thread's own time is dear to ask for, and it is never more than has gone by. */
        private void begin(long most) {
            long soonest = System.nanoTime() + most;
            long until = THREADS.getCurrentThreadCpuTime() + most;
            Patience.begin(
                    () -> stopped || System.nanoTime() - soonest > 0 && THREADS.getCurrentThreadCpuTime() > until);
        }

        private void enter(Gate gate) {
            if (entered != null) {
                return;
            }
            clients.watch(connection, this::stop);
            if (!gate.enter(tab)) {
                throw Refusal.busy();
            }
            entered = gate;
        }

        private void end() {
            clients.forget(connection);
            Patience.end();
            if (entered != null) {
                entered.leave(tab);
            }
            if (name != null) {
                named.remove(name, this);
            }
        }
    }
}
