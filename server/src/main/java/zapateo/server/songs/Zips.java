package zapateo.server.songs;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Predicate;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import zapateo.server.problems.Refusal;

/**
 * Files in one file: the same ones make the same zip, whenever it is made, and no more is unpacked than is asked for.
 */
public final class Zips {

    private static final int MOST_BYTES = 16 << 20;
    /** Of all that is unpacked of one file, which may be packed a thousandfold, what is passed over too. */
    private static final int MOST_IN_ALL = 96 << 20;

    private static final int PIECE = 64 << 10;
    private static final LocalDateTime TIMELESS = LocalDateTime.of(1980, 1, 1, 0, 0);

    private Zips() {}

    public static byte[] of(Map<String, byte[]> entries) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> each : entries.entrySet()) {
                ZipEntry entry = new ZipEntry(each.getKey());
                entry.setTimeLocal(TIMELESS);
                zip.putNextEntry(entry);
                zip.write(each.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /**
     * What is asked for of a file, by its names; nothing of one that is no zip.
     *
     * @param what it is, for the refusal
     * @param most files it may have
     * @throws Refusal where it cannot be unpacked, or holds more than it may
     */
    public static Map<String, byte[]> read(byte[] file, String what, int most, Predicate<String> wanted) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file), StandardCharsets.UTF_8)) {
            int count = 0;
            long all = 0;
            byte[] passed = new byte[PIECE];
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++count > most) {
                    throw Refusal.unusable(what + " of more than " + most + " files: expected fewer");
                }
                if (wanted.test(entry.getName())) {
                    byte[] content = zip.readNBytes(MOST_BYTES + 1);
                    if (content.length > MOST_BYTES) {
                        throw Refusal.unusable(
                                entry.getName() + " of more than " + (MOST_BYTES >> 20) + " MiB: expected less");
                    }
                    all = counted(all + content.length, what);
                    entries.put(entry.getName(), content);
                } else {
                    // Nobody wants it, and it is unpacked all the same where the next one is looked for: piece by
                    // piece, so that it is counted on the way.
                    for (int more = zip.read(passed); more >= 0; more = zip.read(passed)) {
                        all = counted(all + more, what);
                    }
                }
            }
        } catch (ZipException e) {
            return Map.of();
        } catch (IOException | IllegalArgumentException e) {
            throw Refusal.unusable(what + " cannot be unpacked: " + e.getMessage());
        }
        return entries;
    }

    private static long counted(long bytes, String what) {
        if (bytes > MOST_IN_ALL) {
            throw Refusal.unusable(what + " of more than " + (MOST_IN_ALL >> 20) + " MiB when unpacked: expected less");
        }
        return bytes;
    }
}
