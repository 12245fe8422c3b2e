package zapateo.lefthand;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.names.Names;
import zapateo.pitch.Interval;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;

/**
 * A note or more that lead into the next bass; the rows of {@code lead-ins.yaml}.
 *
 * @param id stable name
 * @param name standard term
 * @param use one line: what it does
 * @param steps in the order of time, none for no lead-in
 * @param when how the root has to move, as {@code fourth-up}; empty for any way
 * @param otherwise what is taken where it moves otherwise
 * @param byDistance whether it has as many notes as the distance asks for: none for a step, one for a third
 */
public record LeadIn(
        String id,
        String name,
        String use,
        List<Step> steps,
        Optional<String> when,
        Optional<String> otherwise,
        boolean byDistance) {

    private static final Pattern WRITTEN = Pattern.compile("([+-]?)(s([1-4])|[♯♭]?[1-7])@(-[0-9]{2,5}):([0-9]{2,4})");
    private static final int FOURTH_UP = 5;
    private static final int STEP = 2;
    private static final int THIRD = 4;
    private static final Map<String, LeadIn> ALL = readAll();

    /** What slides along above the notes of a walk-up. */
    enum Over {
        NOTHING,
        /** A minor seventh: dominants that slide. */
        SEVENTHS,
        /**
         * The key's tenth, minor on a chromatic note: the second degree's seventh chord, a passing diminished one, the
         * first inversion.
         */
        TENTHS
    }

    /**
     * One of its notes.
     *
     * @param side 1 above the next bass, -1 below, 0 on the side the line comes from
     * @param steps steps of the key from the next bass, 0 where {@code degree} says it
     * @param degree of the next chord's bass
     * @param before ticks before the change, below zero
     * @param over what is struck above it
     */
    record Step(int side, int steps, Optional<Interval> degree, int before, int ticks, Over over) {

        private static Step parse(String text) {
            Matcher match = WRITTEN.matcher(text);
            if (!match.matches()) {
                throw new Refused(
                        "step \"" + text + "\": expected degree@tick:length, as in -7@-480:480 or s1@-480:480");
            }
            int side = match.group(1).isEmpty() ? 0 : match.group(1).equals("+") ? 1 : -1;
            Optional<Interval> degree = match.group(3) != null
                    ? Optional.empty()
                    : Optional.of(
                            Interval.parse(match.group(2).replace('♯', '#').replace('♭', 'b')));
            return new Step(
                    side,
                    match.group(3) == null ? 0 : Integer.parseInt(match.group(3)),
                    degree,
                    Integer.parseInt(match.group(4)),
                    Integer.parseInt(match.group(5)),
                    Over.NOTHING);
        }

        private Step under(Over chord) {
            return new Step(side, steps, degree, before, ticks, chord);
        }

        /** The note itself. */
        Pitch before(Pitch next, ChordSymbol chord, Key key, Pitch from) {
            int way = side != 0 ? side : from.midi() > next.midi() ? 1 : -1;
            if (degree.isEmpty()) {
                return way < 0 && chord.quality().isMinor() && Approach.isFourthUnder(from, next)
                        ? raised(next, steps)
                        : stepped(next, key, way * steps);
            }
            Interval up = way > 0 && degree.get().number() == 3
                    ? chord.over().isPresent()
                            ? degree.get()
                            : chord.quality().tone(3).orElse(degree.get())
                    : degree.get();
            PitchClass name = next.pitchClass().plus(up).simple();
            int below = Math.floorMod(next.midi() - name.chroma(), 12);
            return Pitch.onKey(way > 0 ? next.midi() + 12 - below : next.midi() - below, name);
        }

        /** Up to a minor tonic by the raised seventh and sixth (FAULTS L26). */
        private static Pitch raised(Pitch next, int steps) {
            Interval under = Interval.of(steps, steps == 1 ? 1 : steps == 2 ? STEP + 1 : FOURTH_UP);
            PitchClass name = next.pitchClass()
                    .plus(Interval.of(7 - under.steps(), 12 - under.semitones()))
                    .simple();
            return Pitch.onKey(next.midi() - under.semitones(), name);
        }

        /** So many steps of the key from a note that may lie outside it. */
        private static Pitch stepped(Pitch from, Key key, int steps) {
            Letter letter = from.pitchClass().letter();
            Letter wanted = letter.plus(steps);
            int octave = Math.floorDiv(7 * from.octave() + letter.ordinal() + steps, 7);
            Pitch own = Pitch.of(PitchClass.of(wanted, key.alterationOf(wanted)), octave);
            return own.midi() == from.midi() ? Pitch.of(PitchClass.of(wanted, 0), octave) : own;
        }
    }

    public static List<LeadIn> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<LeadIn> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    /** Itself, or what stands for it where the root moves otherwise. */
    LeadIn between(ChordSymbol from, ChordSymbol to) {
        int up = Math.floorMod(to.root().chroma() - from.root().chroma(), 12);
        boolean fits = when.isEmpty() || up == (when.get().equals("fourth-up") ? FOURTH_UP : 12 - FOURTH_UP);
        return fits ? ofDistance(from.bass().chroma() - to.bass().chroma()) : ALL.get(otherwise.orElseThrow());
    }

    private LeadIn ofDistance(int semitones) {
        int away = Math.min(Math.floorMod(semitones, 12), Math.floorMod(-semitones, 12));
        int notes = away <= STEP ? 0 : away <= THIRD ? 1 : steps.size();
        return byDistance && notes < steps.size()
                ? new LeadIn(id, name, use, steps.subList(steps.size() - notes, steps.size()), when, otherwise, true)
                : this;
    }

    /** Ticks before the change at which it begins. */
    int lasts() {
        return steps.isEmpty() ? 0 : -steps.get(0).before();
    }

    private static List<Step> steps(YamlFields fields) {
        Over over = fields.has("over") ? fields.value("over", LeadIn::over) : Over.NOTHING;
        return fields.list("steps", Step::parse).stream()
                .map(step -> step.under(over))
                .toList();
    }

    private static Over over(String text) {
        return Names.find(Over.class, text)
                .orElseThrow(() -> new Refused("over \"" + text + "\": expected sevenths or tenths"));
    }

    private static Map<String, LeadIn> readAll() {
        YamlFields file = DataFile.yaml("lefthand/lead-ins.yaml");
        Map<String, LeadIn> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "use", "steps", "when", "else", "notes", "over"));
            all.put(
                    id,
                    new LeadIn(
                            id,
                            fields.text("name"),
                            fields.text("use"),
                            steps(fields),
                            fields.has("when") ? Optional.of(fields.text("when")) : Optional.empty(),
                            fields.has("else") ? Optional.of(fields.text("else")) : Optional.empty(),
                            fields.has("notes")));
        });
        return all;
    }
}
