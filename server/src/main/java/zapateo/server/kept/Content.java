package zapateo.server.kept;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

/** Texts by what they say: their names, and how they are packed. */
public final class Content {

    private static final int BUFFER = 4096;

    private Content() {}

    /** The first 16 bytes of the text's SHA-256. */
    public static UUID hash(String text) {
        try {
            ByteBuffer digest =
                    ByteBuffer.wrap(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
            return new UUID(digest.getLong(), digest.getLong());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Packed as RFC 1951 has it; what a text has in common with its base costs next to nothing. */
    public static byte[] pack(String text, Optional<String> base) {
        Deflater deflater = new Deflater(Deflater.BEST_COMPRESSION, true);
        try {
            base.ifPresent(words -> deflater.setDictionary(words.getBytes(StandardCharsets.UTF_8)));
            deflater.setInput(text.getBytes(StandardCharsets.UTF_8));
            deflater.finish();
            ByteArrayOutputStream packed = new ByteArrayOutputStream();
            byte[] buffer = new byte[BUFFER];
            while (!deflater.finished()) {
                packed.write(buffer, 0, deflater.deflate(buffer));
            }
            return packed.toByteArray();
        } finally {
            deflater.end();
        }
    }

    public static String unpack(byte[] packed, Optional<String> base) {
        Inflater inflater = new Inflater(true);
        try {
            base.ifPresent(words -> inflater.setDictionary(words.getBytes(StandardCharsets.UTF_8)));
            inflater.setInput(packed);
            ByteArrayOutputStream text = new ByteArrayOutputStream();
            byte[] buffer = new byte[BUFFER];
            while (!inflater.finished()) {
                int count = inflater.inflate(buffer);
                if (count == 0 && !inflater.finished()) {
                    throw new IllegalStateException("packed text ends too early");
                }
                text.write(buffer, 0, count);
            }
            return text.toString(StandardCharsets.UTF_8);
        } catch (DataFormatException e) {
            throw new IllegalStateException("packed text cannot be read", e);
        } finally {
            inflater.end();
        }
    }
}
