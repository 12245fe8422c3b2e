package zapateo.harmony;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.pitch.Interval;

/**
 * What kind of chord stands on a root: its written sign and its tones. The qualities are the rows of
 * {@code qualities.csv}; a row is all it takes to add one.
 *
 * @param id      stable name, e.g. {@code half-diminished}
 * @param written the one canonical sign after the root, e.g. {@code ø}
 * @param kind    the MusicXML 4.0 kind-value
 * @param tones   degrees from the root, low to high
 */
public record Quality(String id, String written, String kind, List<Interval> tones) {

    private static final Map<String, Quality> BY_SPELLING = new LinkedHashMap<>();
    private static final List<Quality> ALL = readTable();

    public static List<Quality> all() {
        return ALL;
    }

    /** The quality that is spelled {@code sign}, in any of its usual ways. */
    public static Optional<Quality> spelled(String sign) {
        return Optional.ofNullable(BY_SPELLING.get(plain(sign)));
    }

    /** Every accepted spelling with the quality it reads as, in the table's order. */
    public static Map<String, Quality> spellings() {
        return Collections.unmodifiableMap(BY_SPELLING);
    }

    /** The tone of this chord that carries the number {@code degree} of 1 to 13, whatever its size: 3 of a sus4 is its 4th. */
    public Optional<Interval> tone(int degree) {
        Optional<Interval> same = tones.stream().filter(tone -> tone.number() == degree).findFirst();
        return same.isPresent() || degree != 3 ? same
                : tones.stream().filter(tone -> tone.number() == 2 || tone.number() == 4).findFirst();
    }

    public boolean isMinor() {
        return has(3, 3);
    }

    /** A major third with a minor seventh: the chord that wants to move on. */
    public boolean isDominant() {
        return has(3, 4) && has(7, 10);
    }

    private boolean has(int degree, int semitones) {
        return tones.contains(Interval.of(degree - 1, semitones));
    }

    private static String plain(String sign) {
        return sign.replace('♭', 'b').replace('♯', '#');
    }

    private static List<Quality> readTable() {
        List<Quality> all = new ArrayList<>();
        try (BufferedReader rows = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(Quality.class.getResourceAsStream("/zapateo/harmony/qualities.csv")), StandardCharsets.UTF_8))) {
            for (String row : rows.lines().filter(line -> !line.startsWith("#") && !line.isBlank()).toList()) {
                all.add(readRow(row));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return List.copyOf(all);
    }

    private static Quality readRow(String row) {
        String[] cells = row.split(";", -1);
        List<Interval> tones = Arrays.stream(cells[3].split(" ")).map(Interval::parse).toList();
        Quality quality = new Quality(cells[0], cells[1], cells[2], tones);
        Stream.concat(Stream.of(cells[1]), Arrays.stream(cells[4].split(" "))).map(Quality::plain).forEach(spelling -> {
            if (BY_SPELLING.putIfAbsent(spelling, quality) != null && BY_SPELLING.get(spelling) != quality) {
                throw new IllegalStateException("qualities.csv: \"" + spelling + "\" stands for two chords");
            }
        });
        return quality;
    }
}
