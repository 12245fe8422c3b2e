package zapateo.format;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** What the bytes of a file say as text. */
public final class FileText {

    private FileText() {}

    /** UTF-8, UTF-16 where a byte order mark says so, and for old files Latin 1. */
    public static String of(byte[] content) {
        if (content.length >= 2
                && (content[0] == (byte) 0xFE && content[1] == (byte) 0xFF
                        || content[0] == (byte) 0xFF && content[1] == (byte) 0xFE)) {
            return new String(content, StandardCharsets.UTF_16);
        }
        String text = decode(content, StandardCharsets.UTF_8)
                .orElseGet(() -> new String(content, StandardCharsets.ISO_8859_1));
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static Optional<String> decode(byte[] content, Charset charset) {
        try {
            return Optional.of(charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(content))
                    .toString());
        } catch (CharacterCodingException wrong) {
            return Optional.empty();
        }
    }
}
