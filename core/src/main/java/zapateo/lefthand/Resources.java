package zapateo.lefthand;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import zapateo.rhythm.YamlFields;

/** The data files of this room. */
final class Resources {

    private Resources() {
    }

    static YamlFields yaml(String file) {
        return YamlFields.parse(file, text(file));
    }

    static String text(String file) {
        try (InputStream in = Resources.class.getResourceAsStream("/zapateo/lefthand/" + file)) {
            if (in == null) {
                throw new IllegalStateException(file + ": not found");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
