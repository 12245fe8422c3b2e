package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A piece of chart text and where it stands; line and column count from 1. */
public record Word(String text, int line, int column) {

    /** A remark in quotes, a sign in parentheses, or whatever stands between spaces. */
    private static final Pattern WORDS = Pattern.compile("\"[^\"]*\"?|\\([^)\"]*\\)|\\S+");

    /** Where {@code part}, which begins {@code from} characters into this, stands. */
    Word part(String part, int from) {
        return new Word(part, line, column + from);
    }

    /** The words inside, apart at white space; what stands in quotes or in parentheses is one. */
    List<Word> words() {
        List<Word> words = new ArrayList<>();
        Matcher match = WORDS.matcher(text);
        while (match.find()) {
            words.add(part(match.group(), match.start()));
        }
        return words;
    }

    /** Without the white space round it. */
    Word stripped() {
        int lead = text.length() - text.stripLeading().length();
        return part(text.strip(), lead);
    }

    boolean isBlank() {
        return text.isBlank();
    }
}
