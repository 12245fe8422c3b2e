package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;

/**
 * Lines that are kept in a file of {@code src/test/resources/zapateo}; {@code -D<name>.write=true} writes them anew
 * where a change is meant.
 */
public final class AsBefore {

    private AsBefore() {}

    /** @param name of the file without its ending, and of the switch that writes it */
    public static void expect(String name, List<String> now, String changes) throws IOException {
        Path kept = Path.of("src/test/resources/zapateo", name + ".csv");
        if (Boolean.getBoolean(name + ".write")) {
            Files.write(kept, now);
        }
        TreeSet<String> changed = new TreeSet<>(now);
        Files.readAllLines(kept).forEach(changed::remove);
        assertThat(changed).as(changes).isEmpty();
        assertThat(now).hasSameSizeAs(Files.readAllLines(kept));
    }
}
