package zapateo.format;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** Opens compressed MusicXML ({@code .mxl}): a zip whose {@code META-INF/container.xml} names the score. */
final class CompressedMusicXml {

    private static final int MOST_BYTES = 16 << 20;
    private static final int MOST_ENTRIES = 200;
    private static final String CONTAINER = "META-INF/container.xml";

    private CompressedMusicXml() {}

    static FileReading read(byte[] content) {
        try {
            Optional<byte[]> container = entry(content, CONTAINER);
            if (container.isEmpty()) {
                return refused("mxl-container", "", CONTAINER + " that names the score");
            }
            XmlTree root = XmlTree.read(container.get());
            Optional<String> path = root.child("rootfiles")
                    .flatMap(files -> files.child("rootfile"))
                    .flatMap(file -> file.attribute("full-path"));
            Optional<byte[]> score = path.isEmpty() ? Optional.empty() : entry(content, path.get());
            return score.isEmpty()
                    ? refused("mxl-container", path.orElse(""), "the file that " + CONTAINER + " names")
                    : MusicXmlReader.read(score.get(), FileFormat.COMPRESSED_MUSICXML);
        } catch (TooBig bomb) {
            return refused("mxl-too-big", "", "at most " + (MOST_BYTES >> 20) + " MiB when unpacked");
        } catch (IOException | IllegalArgumentException broken) {
            return refused("mxl-broken", "", "a whole zip file");
        } catch (XmlTree.Unread unread) {
            return FileReading.refused(
                    FileFormat.COMPRESSED_MUSICXML,
                    unread.code,
                    unread.line,
                    unread.column,
                    CONTAINER,
                    "a plain XML file");
        }
    }

    private static FileReading refused(String code, String found, String expected) {
        return FileReading.refused(FileFormat.COMPRESSED_MUSICXML, code, 1, 1, found, expected);
    }

    private static final class TooBig extends IOException {
        private static final long serialVersionUID = 1L;
    }

    private static Optional<byte[]> entry(byte[] content, String name) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(content))) {
            long unpacked = 0;
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++entries > MOST_ENTRIES) {
                    throw new TooBig();
                }
                byte[] bytes = zip.readNBytes(MOST_BYTES + 1);
                unpacked += bytes.length;
                if (unpacked > MOST_BYTES) {
                    throw new TooBig();
                }
                if (entry.getName().equals(name)) {
                    return Optional.of(bytes);
                }
            }
            return Optional.empty();
        }
    }
}
