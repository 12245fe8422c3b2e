package zapateo.harmony;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Stream;
import zapateo.pitch.Interval;

/** The tables that chord symbols are made of; their heads say how they read. */
final class QualityTables {

    private static final Set<String> PLAIN_TRIADS = Set.of("major", "minor", "augmented");

    private final Map<String, Quality.Base> bases = new LinkedHashMap<>();
    private final Map<String, Modifier> modifiers = new LinkedHashMap<>();
    private final Map<String, Reading> readings = new LinkedHashMap<>();
    private final Map<String, Modifier> modifierSpellings = new LinkedHashMap<>();
    private final List<Rewrite> rewrites = new ArrayList<>();

    /** What a spelling stands for, or the reason why it is refused. */
    record Reading(Quality.Base base, List<Modifier> modifiers, String refusal) {}

    private record Rewrite(Quality.Base from, List<Modifier> with, Quality.Base to, List<Modifier> and) {}

    QualityTables() {
        rows("qualities.csv").forEach(this::readBase);
        rows("modifiers.csv").forEach(this::readModifier);
        rows("shorthands.csv").forEach(this::readShorthand);
        rows("rewrites.csv")
                .forEach(row -> rewrites.add(new Rewrite(base(row[0]), named(row[1]), base(row[2]), named(row[3]))));
    }

    Collection<Quality.Base> bases() {
        return Collections.unmodifiableCollection(bases.values());
    }

    Collection<Modifier> modifiers() {
        return Collections.unmodifiableCollection(modifiers.values());
    }

    Map<String, Reading> readings() {
        return readings;
    }

    Map<String, Modifier> modifierSpellings() {
        return modifierSpellings;
    }

    Quality.Base base(String id) {
        return Objects.requireNonNull(bases.get(id), id);
    }

    Modifier modifier(String id) {
        return Objects.requireNonNull(modifiers.get(id), id);
    }

    /** The one way to say it: parts that make another quality together are put together. */
    Quality canonical(Quality.Base base, Collection<Modifier> with) {
        Quality.Base now = base;
        SortedSet<Modifier> rest = new TreeSet<>(with);
        if (rest.contains(modifier("sus4")) && rest.remove(modifier("sus2"))) {
            rest.add(modifier("add9"));
        }
        for (int i = 0; i < rewrites.size(); i++) {
            Rewrite rewrite = rewrites.get(i);
            if (i == 0 && !PLAIN_TRIADS.contains(now.id())) {
                added().forEach((add, alter) -> {
                    if (rest.remove(add)) {
                        rest.add(alter);
                    }
                });
            }
            Quality.Base plain = now;
            rest.removeIf(modifier -> isIdle(modifier, plain));
            if (rewrite.from() == now && rest.containsAll(rewrite.with())) {
                rewrite.with().forEach(rest::remove);
                rest.addAll(rewrite.and());
                now = rewrite.to();
                i = -1;
            }
        }
        return new Quality(now, List.copyOf(rest));
    }

    /** What the quality has already, or has not to lose. */
    private static boolean isIdle(Modifier modifier, Quality.Base base) {
        return switch (modifier.effect()) {
            case ALTER, ADD -> base.tones().contains(modifier.degree());
            case OMIT ->
                base.tones().stream()
                        .noneMatch(tone -> tone.number() == modifier.degree().number());
            case SUS -> false;
        };
    }

    /** Beside a sixth or a seventh an added ♭9 and a ♭9 are one thing; on a plain triad they are not. */
    private Map<Modifier, Modifier> added() {
        return Map.of(
                modifier("addb9"),
                modifier("b9"),
                modifier("add#9"),
                modifier("#9"),
                modifier("add#11"),
                modifier("#11"));
    }

    private void readBase(String[] row) {
        Quality.Base base = new Quality.Base(
                row[0],
                row[1],
                row[2],
                Arrays.stream(row[3].split(" ")).map(Interval::parse).toList());
        bases.put(base.id(), base);
        Stream.concat(Stream.of(row[1]), words(row[4]))
                .forEach(spelling -> claim(spelling, new Reading(base, List.of(), "")));
    }

    private void readModifier(String[] row) {
        Modifier modifier = new Modifier(
                modifiers.size(),
                row[0],
                row[1],
                Modifier.Effect.valueOf(row[2].toUpperCase(Locale.ROOT)),
                Interval.parse(row[3]));
        modifiers.put(row[0], modifier);
        Stream.concat(Stream.of(plain(row[1])), words(row[4]))
                .forEach(spelling -> modifierSpellings.put(spelling, modifier));
    }

    private void readShorthand(String[] row) {
        boolean refused = row[1].startsWith("!");
        Reading reading = refused
                ? new Reading(null, List.of(), row[1].substring(1))
                : new Reading(base(row[1]), named(row[2]), "");
        words(row[0]).forEach(spelling -> claim(spelling, reading));
    }

    private void claim(String spelling, Reading reading) {
        Reading before = readings.putIfAbsent(plain(spelling), reading);
        if (before != null && !before.equals(reading)) {
            throw new IllegalStateException("\"" + spelling + "\" stands for two chords");
        }
    }

    private List<Modifier> named(String ids) {
        return words(ids).map(this::modifier).toList();
    }

    static String plain(String sign) {
        return sign.replace('♭', 'b').replace('♯', '#');
    }

    private static Stream<String> words(String cell) {
        return Arrays.stream(cell.split(" ")).filter(word -> !word.isEmpty());
    }

    private static List<String[]> rows(String file) {
        try (BufferedReader rows = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(Quality.class.getResourceAsStream("/zapateo/harmony/" + file)),
                StandardCharsets.UTF_8))) {
            return rows.lines()
                    .filter(line -> !line.startsWith("# ") && !line.isBlank())
                    .map(line -> line.split(";", -1))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
