package zapateo.rhythm;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** The text of a file that ships with the application. */
public final class DataFile {

    private static final String FOLDER = "/zapateo/";

    private DataFile() {}

    /** @param path below the data's folder, such as {@code figures/held.yaml} */
    public static String text(String path) {
        try (InputStream in = DataFile.class.getResourceAsStream(FOLDER + path)) {
            if (in == null) {
                throw new IllegalStateException(path + ": there is no such file");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Its fields, where it is YAML; mistakes are told with the file's own name. */
    public static YamlFields yaml(String path) {
        return YamlFields.parse(path.substring(path.lastIndexOf('/') + 1), text(path));
    }
}
