package zapateo.format;

import com.sun.management.ThreadMXBean;
import java.io.IOException;
import java.io.InputStream;
import java.lang.management.ManagementFactory;
import java.lang.reflect.Method;
import java.util.HashSet;
import java.util.Set;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * How much work a reader does, counted and not timed: methods entered and rounds of loops in the core's own classes,
 * which are loaded once more with a counter in them, and bytes asked for, in eights.
 */
public final class Work {

    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private static final Method READ;
    private static final Method PARSE;

    static {
        try {
            ClassLoader counting = new Counting();
            READ = counting.loadClass("zapateo.format.SongReader").getMethod("read", byte[].class);
            PARSE = counting.loadClass("zapateo.song.ChartParser").getMethod("parse", String.class);
        } catch (ReflectiveOperationException e) {
            throw new ExceptionInInitializerError(e);
        }
    }

    private Work() {}

    /** Called from within what is counted. */
    public static final class Counter {

        private static long count;

        private Counter() {}

        public static void add() {
            count++;
        }
    }

    static long ofFile(byte[] file) throws ReflectiveOperationException {
        return of(() -> READ.invoke(null, (Object) file));
    }

    static long ofChart(String text) throws ReflectiveOperationException {
        return of(() -> PARSE.invoke(null, text));
    }

    private interface Reading {
        Object read() throws ReflectiveOperationException;
    }

    private static long of(Reading reading) throws ReflectiveOperationException {
        Counter.count = 0;
        long before = THREADS.getCurrentThreadAllocatedBytes();
        reading.read();
        return Counter.count + (THREADS.getCurrentThreadAllocatedBytes() - before) / 8;
    }

    private static final class Counting extends ClassLoader {

        private Counting() {
            super(Work.class.getClassLoader());
        }

        @Override
        protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
            if (!name.startsWith("zapateo.") || name.startsWith(Work.class.getName())) {
                return super.loadClass(name, resolve);
            }
            synchronized (getClassLoadingLock(name)) {
                Class<?> found = findLoadedClass(name);
                return found != null ? found : counted(name);
            }
        }

        private Class<?> counted(String name) throws ClassNotFoundException {
            try (InputStream in = getParent().getResourceAsStream(name.replace('.', '/') + ".class")) {
                ClassWriter written = new ClassWriter(ClassWriter.COMPUTE_MAXS);
                new ClassReader(in.readAllBytes())
                        .accept(
                                new ClassVisitor(Opcodes.ASM9, written) {
                                    @Override
                                    public MethodVisitor visitMethod(
                                            int access, String method, String type, String signature, String[] thrown) {
                                        return new Loops(super.visitMethod(access, method, type, signature, thrown));
                                    }
                                },
                                0);
                byte[] bytes = written.toByteArray();
                return defineClass(name, bytes, 0, bytes.length);
            } catch (IOException e) {
                throw new ClassNotFoundException(name, e);
            }
        }
    }

    private static final class Loops extends MethodVisitor {

        private final Set<Label> behind = new HashSet<>();

        private Loops(MethodVisitor next) {
            super(Opcodes.ASM9, next);
        }

        private void count() {
            super.visitMethodInsn(Opcodes.INVOKESTATIC, Counter.class.getName().replace('.', '/'), "add", "()V", false);
        }

        @Override
        public void visitCode() {
            super.visitCode();
            count();
        }

        @Override
        public void visitLabel(Label label) {
            behind.add(label);
            super.visitLabel(label);
        }

        @Override
        public void visitJumpInsn(int opcode, Label label) {
            if (behind.contains(label)) {
                count();
            }
            super.visitJumpInsn(opcode, label);
        }
    }
}
