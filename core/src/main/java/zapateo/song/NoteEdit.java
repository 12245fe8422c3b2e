package zapateo.song;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.names.Names;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;
import zapateo.rhythm.Ticks;

/**
 * One change to a note of the melody as it is made on the staff. What is tied over a bar line is one note; what grows
 * takes from what follows, what shrinks or goes leaves a rest.
 *
 * @param bar written bar from 0
 * @param pass the time it is played, from 1
 * @param tick from the bar line, where the note begins
 * @param pitch the one it is to have, for {@link Change#PITCH} and, where it is given, {@link Change#ADD}
 */
public record NoteEdit(int bar, int pass, int tick, Change change, Optional<Pitch> pitch) {

    /** What to do with it. */
    public enum Change {
        /** To the next note of the key. */
        UP,
        DOWN,
        /** By a semitone. */
        SHARPER,
        FLATTER,
        OCTAVE_UP,
        OCTAVE_DOWN,
        LONGER,
        SHORTER,
        /** Into a rest beside it by an eighth, or past the note beside it. */
        EARLIER,
        LATER,
        DELETE,
        /** A note where a rest is, or in the rest behind a note; where none is, in the second half of the note. */
        ADD,
        PITCH;

        public String id() {
            return Names.of(this);
        }
    }

    /** The chart with it, and where the note is now: written bar from 0, ticks from its bar line. */
    public record Edited(String text, int bar, int tick) {}

    private static final List<Integer> LENGTHS = List.of(120, 240, 360, 480, 720, 960, 1440, 1920, 2880, 3840);
    private static final List<Integer> TRIPLETS = List.of(160, 320, 640, 1280, 2560);
    private static final Pitch FIRST = Pitch.parse("C5");
    private static final int SHORTEST_HALF = 120;

    /** A note or a rest over however many bars it lasts. */
    private record Item(Optional<Pitch> pitch, int from, int ticks) {

        private int end() {
            return from + ticks;
        }

        private boolean isRest() {
            return pitch.isEmpty();
        }

        private Item at(int place) {
            return new Item(pitch, place, ticks);
        }

        private Item lasting(int length) {
            return new Item(pitch, from, length);
        }
    }

    /** @throws Refused where there is nothing to change, or no room, in words */
    Edited in(ChartCells cells) {
        cells.cell(bar);
        List<WrittenBar> all = cells.song().writtenBars();
        int first = bar;
        while (first > 0 && tick == 0 && tiedInto(all, first)) {
            first--;
        }
        int after = first + 1;
        while (after < all.size() && (after <= bar || tiedInto(all, after))) {
            after++;
        }
        if (after < all.size() && follows(all, after)) {
            after++;
        }
        List<WrittenBar> bars = all.subList(first, after);
        int start =
                IntStream.range(first, bar).map(each -> all.get(each).ticks()).sum() + tick;
        List<Item> line = merged(line(bars));
        int at = IntStream.range(0, line.size())
                .filter(i -> start >= line.get(i).from() && start < line.get(i).end())
                .findFirst()
                .orElseThrow(() -> new Refused("tick " + tick + " of bar " + bar + ": expected a place inside it"));
        Key key = all.subList(0, bar + 1).stream()
                .flatMap(each -> each.marks().key().stream())
                .reduce((one, two) -> two)
                .orElse(cells.song().key());
        int now = changed(line, at, start, key);
        return written(cells, first, bars, merged(line), now);
    }

    private boolean tiedInto(List<WrittenBar> bars, int next) {
        List<TuneNote> before = bars.get(next - 1).tune(pass);
        return !before.isEmpty()
                && before.get(before.size() - 1).tied()
                && before.get(before.size() - 1).end() == bars.get(next - 1).ticks();
    }

    /** Whether nothing but the next bar can come behind one. */
    private static boolean follows(List<WrittenBar> bars, int next) {
        WrittenBar.Marks before = bars.get(next - 1).marks();
        WrittenBar.Marks here = bars.get(next).marks();
        return before.closes().isEmpty() && !here.opens() && before.endings().equals(here.endings());
    }

    private List<Item> line(List<WrittenBar> bars) {
        List<Item> line = new ArrayList<>();
        int from = 0;
        boolean tied = false;
        for (WrittenBar each : bars) {
            int at = from;
            for (TuneNote note : each.tune(pass)) {
                Item before = line.isEmpty() ? null : line.get(line.size() - 1);
                if (tied && before.pitch().equals(note.pitch())) {
                    line.set(line.size() - 1, before.lasting(before.ticks() + note.ticks()));
                } else {
                    line.add(new Item(note.pitch(), at, note.ticks()));
                }
                at += note.ticks();
                tied = note.tied();
            }
            if (at < from + each.ticks()) {
                line.add(new Item(Optional.empty(), at, from + each.ticks() - at));
                tied = false;
            }
            from += each.ticks();
        }
        return line;
    }

    /** Changes the line in place; where the note begins then. */
    private int changed(List<Item> line, int at, int start, Key key) {
        Item item = line.get(at);
        if (change == Change.ADD) {
            return added(line, at, start, key);
        }
        Pitch own = item.pitch().orElseThrow(() -> new Refused("a rest is there: expected a note of the melody"));
        switch (change) {
            case LONGER -> longer(line, at);
            case SHORTER -> shorter(line, at);
            case EARLIER -> {
                return earlier(line, at);
            }
            case LATER -> {
                return later(line, at);
            }
            case DELETE -> line.set(at, new Item(Optional.empty(), item.from(), item.ticks()));
            default -> line.set(at, new Item(Optional.of(other(own, key)), item.from(), item.ticks()));
        }
        return item.from();
    }

    private Pitch other(Pitch own, Key key) {
        Pitch other = switch (change) {
            case UP -> step(own, key, 1);
            case DOWN -> step(own, key, -1);
            case SHARPER -> semitone(own, key, 1);
            case FLATTER -> semitone(own, key, -1);
            case OCTAVE_UP -> Pitch.of(own.pitchClass(), own.octave() + 1);
            case OCTAVE_DOWN -> Pitch.of(own.pitchClass(), own.octave() - 1);
            default -> pitch.orElseThrow(() -> new Refused("pitch: expected one such as E♭5"));
        };
        if (other.midi() < Pitch.LOWEST_KEY || other.midi() > Pitch.HIGHEST_KEY) {
            throw new Refused(other + ": expected a key of the piano, A0 to C8");
        }
        return other;
    }

    private static Pitch step(Pitch own, Key key, int way) {
        int place = own.staffPlace() + way;
        Letter letter = Letter.values()[Math.floorMod(place, 7)];
        return Pitch.of(PitchClass.of(letter, key.alterationOf(letter)), Math.floorDiv(place, 7));
    }

    private static Pitch semitone(Pitch own, Key key, int way) {
        int alteration = own.pitchClass().alteration() + way;
        return Math.abs(alteration) <= 1
                ? Pitch.of(PitchClass.of(own.pitchClass().letter(), alteration), own.octave())
                : Pitch.onKey(own.midi() + way, key.spell(Math.floorMod(own.midi() + way, 12)));
    }

    private static List<Integer> ladder(int ticks) {
        return TRIPLETS.contains(ticks) ? TRIPLETS : LENGTHS;
    }

    private static void longer(List<Item> line, int at) {
        Item item = line.get(at);
        int wanted = ladder(item.ticks()).stream()
                .filter(length -> length > item.ticks())
                .findFirst()
                .orElse(item.ticks() + Ticks.PER_QUARTER);
        int end = Math.min(item.from() + wanted, line.get(line.size() - 1).end());
        if (end == item.end()) {
            throw new Refused("no room behind it: expected a bar that follows");
        }
        line.set(at, item.lasting(end - item.from()));
        while (at + 1 < line.size() && line.get(at + 1).end() <= end) {
            line.remove(at + 1);
        }
        if (at + 1 < line.size() && line.get(at + 1).from() < end) {
            Item next = line.get(at + 1);
            line.set(at + 1, new Item(next.pitch(), end, next.end() - end));
        }
    }

    private static void shorter(List<Item> line, int at) {
        Item item = line.get(at);
        int length = ladder(item.ticks()).stream()
                .filter(each -> each < item.ticks())
                .reduce((one, two) -> two)
                .orElseThrow(() -> new Refused("it is the shortest there is: expected a longer note"));
        line.set(at, item.lasting(length));
        line.add(at + 1, new Item(Optional.empty(), item.from() + length, item.ticks() - length));
    }

    private static int earlier(List<Item> line, int at) {
        if (at == 0) {
            throw new Refused("nothing is before it in its bar: expected a rest or a note there");
        }
        Item item = line.get(at);
        Item before = line.get(at - 1);
        int by = before.isRest() ? Math.min(Ticks.PER_EIGHTH, before.ticks()) : before.ticks();
        line.set(at, item.at(item.from() - by));
        if (before.isRest()) {
            line.set(at - 1, before.lasting(before.ticks() - by));
            line.add(at + 1, new Item(Optional.empty(), item.end() - by, by));
        } else {
            line.set(at - 1, before.at(item.end() - before.ticks()));
            Collections.swap(line, at - 1, at);
        }
        return item.from() - by;
    }

    private static int later(List<Item> line, int at) {
        if (at + 1 == line.size()) {
            throw new Refused("nothing is behind it: expected a bar that follows");
        }
        Item item = line.get(at);
        Item next = line.get(at + 1);
        int by = next.isRest() ? Math.min(Ticks.PER_EIGHTH, next.ticks()) : next.ticks();
        line.set(at, item.at(item.from() + by));
        if (next.isRest()) {
            line.set(at + 1, new Item(Optional.empty(), next.from() + by, next.ticks() - by));
            line.add(at, new Item(Optional.empty(), item.from(), by));
        } else {
            line.set(at + 1, next.at(item.from()));
            Collections.swap(line, at, at + 1);
        }
        return item.from() + by;
    }

    private int added(List<Item> line, int at, int start, Key key) {
        Item item = line.get(at);
        if (!item.isRest() && at + 1 < line.size() && line.get(at + 1).isRest()) {
            return added(line, at + 1, item.end(), key);
        }
        if (item.isRest()) {
            Pitch near = IntStream.iterate(at - 1, i -> i - 1)
                    .limit(at)
                    .mapToObj(line::get)
                    .flatMap(each -> each.pitch().stream())
                    .findFirst()
                    .orElse(Pitch.onKey(
                            FIRST.midi() + key.tonic().chroma(), key.tonic().simple()));
            int length = Math.min(item.end() - start, Ticks.PER_QUARTER);
            line.set(at, item.lasting(start - item.from()));
            line.add(at + 1, new Item(Optional.of(pitch.orElse(near)), start, length));
            line.add(at + 2, new Item(Optional.empty(), start + length, item.end() - start - length));
            return start;
        }
        int half = item.ticks() / 2;
        if (half < SHORTEST_HALF) {
            throw new Refused("it is too short to be parted: expected a sixteenth or longer");
        }
        line.set(at, item.lasting(half));
        line.add(at + 1, new Item(pitch.or(item::pitch), item.from() + half, item.ticks() - half));
        return item.from() + half;
    }

    /** Without what lasts nothing; rests that meet are one. */
    private static List<Item> merged(List<Item> line) {
        List<Item> merged = new ArrayList<>();
        for (Item item : line) {
            Item before = merged.isEmpty() ? null : merged.get(merged.size() - 1);
            if (item.ticks() > 0 && before != null && before.isRest() && item.isRest()) {
                merged.set(merged.size() - 1, before.lasting(before.ticks() + item.ticks()));
            } else if (item.ticks() > 0) {
                merged.add(item);
            }
        }
        return merged;
    }

    /** Parted at the bar lines; a bar without any melody stays one. */
    private Edited written(ChartCells cells, int first, List<WrittenBar> bars, List<Item> line, int now) {
        List<List<TuneNote>> tunes = new ArrayList<>();
        int from = 0;
        int place = first;
        int inBar = now;
        for (WrittenBar each : bars) {
            int start = from;
            int end = from + each.ticks();
            // What is tied on beyond these bars stays tied.
            boolean goesOn = each == bars.get(bars.size() - 1)
                    && !each.tune(pass).isEmpty()
                    && each.tune(pass).get(each.tune(pass).size() - 1).tied();
            List<TuneNote> notes = line.stream()
                    .filter(item -> item.from() < end && item.end() > start)
                    .map(item -> new TuneNote(
                            item.pitch(),
                            Math.max(item.from(), start) - start,
                            Math.min(item.end(), end) - Math.max(item.from(), start),
                            !item.isRest() && (item.end() > end || goesOn && item.end() == end)))
                    .collect(Collectors.toList());
            boolean silent = each.tune(pass).isEmpty()
                    && notes.stream().allMatch(note -> note.pitch().isEmpty());
            tunes.add(silent ? List.of() : notes);
            if (now >= start) {
                place = first + tunes.size() - 1;
                inBar = now - start;
            }
            from = end;
        }
        // A second time that is as the first is written with the first.
        int time = bars.stream().anyMatch(each -> !each.ownTune(pass).isEmpty()) ? pass : 1;
        List<List<TuneNote>> kept = new ArrayList<>(tunes);
        while (kept.size() > 1
                && kept.get(kept.size() - 1).equals(bars.get(kept.size() - 1).tune(pass))) {
            kept.remove(kept.size() - 1);
        }
        return new Edited(new TuneLines(cells).written(first, time, kept), place, inBar);
    }
}
