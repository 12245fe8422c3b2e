package zapateo.format;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A length as ABC's fields write it, {@code 1/8}. */
final class AbcFraction {

    static final Pattern WRITTEN = Pattern.compile("([0-9]+)/([0-9]+)");

    private AbcFraction() {}

    static Optional<Double> of(String text) {
        Matcher match = WRITTEN.matcher(text.strip());
        return match.matches() && Integer.parseInt(match.group(2)) > 0
                ? Optional.of(Double.parseDouble(match.group(1)) / Double.parseDouble(match.group(2)))
                : Optional.empty();
    }
}
