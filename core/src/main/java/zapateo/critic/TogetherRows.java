package zapateo.critic;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Tune;

/** Rows about two hands. */
final class TogetherRows {

    private static final int SHARE = 10;
    private static final int SHORT = 8;
    private static final int MOST_BARS = 4;
    private static final int FIFTH = 7;
    private static final int PARALLELS = 3;
    private static final int SMALL_NOTES = 4;

    private TogetherRows() {}

    /** B2: one hand strikes a key the other has just left, in more than one bar in ten. */
    static void justLeft(Score score, Marks marks) {
        Set<Integer> bars = new TreeSet<>();
        for (int at : score.of(Side.RIGHT)) {
            Stroke right = score.strokes().get(at);
            int beat = score.song().bars().get(right.bar()).meter().beatTicks();
            for (int other :
                    score.within(right.written().tick() - beat, right.written().tick())) {
                Stroke left = score.strokes().get(other);
                boolean shared = left.hand() == Side.LEFT
                        && left.written().end() <= right.written().tick()
                        && left.notes().stream()
                                .anyMatch(note -> right.notes().stream()
                                        .anyMatch(with -> with.pitch().midi()
                                                == note.pitch().midi()));
                if (shared) {
                    bars.add(right.bar());
                }
            }
        }
        // Once in a song of some length is no habit.
        if ((bars.size() > 1 || score.song().bars().size() < SHORT)
                && bars.size() * SHARE > score.song().bars().size()) {
            marks.add(bars.iterator().next(), List.of(), Map.of("bars", String.valueOf(bars.size())));
        }
    }

    /** B4: a note of the tune is dropped, or is not the top. */
    static void dropped(Score score, Marks marks) {
        if (score.of(Side.RIGHT).stream()
                .noneMatch(at -> score.strokes().get(at).nature().origin().isTune())) {
            return;
        }
        for (Tune.Sung note : Tune.of(score.song())) {
            boolean there = score.soundingIn(note.tick(), note.tick() + 1).stream()
                    .map(score.strokes()::get)
                    .filter(stroke -> stroke.hand() == Side.RIGHT)
                    .filter(stroke -> stroke.written().tick() == note.tick()
                            || stroke.written().tick() < note.tick()
                                    && stroke.written().end() > note.tick())
                    .anyMatch(stroke ->
                            Math.floorMod(stroke.highest().midi() - note.pitch().midi(), Pitch.OCTAVE) == 0
                                    || !stroke.nature().origin().isTune());
            if (!there) {
                marks.add(
                        note.bar(),
                        score.within(note.tick(), note.tick() + 1),
                        Map.of("note", note.pitch().toString()));
            }
        }
    }

    /** B6: a minor ninth between the hands that the chord does not name. */
    static void minorNinth(Score score, Marks marks) {
        for (int at : score.of(Side.RIGHT)) {
            Stroke right = score.strokes().get(at);
            Optional<ChordSymbol> chord = score.song().chordAt(right.written().tick());
            Bar bar = score.song().bars().get(right.bar());
            boolean onBeat = (right.written().tick() - bar.tick()) % bar.meter().beatTicks() == 0;
            if (chord.isEmpty()
                    || score.asked(right).is(Trait.BLUES)
                    || !onBeat
                    || right.nature().origin().isSung()) {
                continue;
            }
            for (int other :
                    score.soundingIn(right.written().tick(), right.written().tick() + 1)) {
                Stroke left = score.strokes().get(other);
                // A line that walks past is heard as a line.
                boolean walks =
                        left.nature().origin() == Origin.WALK || left.nature().origin() == Origin.LEAD_IN;
                boolean ninth = left.hand() == Side.LEFT
                        && !walks
                        && left.notes().stream()
                                .anyMatch(low -> right.notes().stream().anyMatch(high -> {
                                    int apart =
                                            high.pitch().midi() - low.pitch().midi();
                                    return apart >= 13
                                            && apart % 12 == 1
                                            && !(Tones.isOf(
                                                            chord.get(),
                                                            low.pitch().midi())
                                                    && Tones.isOf(
                                                            chord.get(),
                                                            high.pitch().midi()));
                                }));
                if (ninth) {
                    marks.add(
                            right.bar(),
                            List.of(other, at),
                            Map.of("chord", chord.get().toString()));
                }
            }
        }
    }

    /** B7: both hands run in the same small notes for over four bars. */
    static void bothRun(Score score, Marks marks) {
        int running = 0;
        for (Bar bar : score.song().bars()) {
            Set<Integer> left = new HashSet<>();
            Set<Integer> right = new HashSet<>();
            score.within(bar.tick(), bar.end()).stream()
                    .map(score.strokes()::get)
                    .forEach(stroke -> (stroke.hand() == Side.LEFT ? left : right)
                            .add(stroke.written().tick()));
            boolean small = left.size() > bar.meter().beats() && left.size() >= SMALL_NOTES;
            running = small && left.equals(right) ? running + 1 : 0;
            if (running > MOST_BARS) {
                marks.add(bar.index(), List.of(), Map.of("bars", String.valueOf(running)));
            }
        }
    }

    /** B8: bare parallel octaves or fifths of tune and bass on three strong beats running, in a hymn or a ballad. */
    static void parallels(Score score, Marks marks) {
        int before = -1;
        int lowBefore = -1;
        int running = 0;
        for (Bar bar : score.song().bars()) {
            for (int tick = bar.tick(); tick < bar.end(); tick += bar.meter().beatTicks()) {
                if (!bar.meter().isStrong(tick - bar.tick())) {
                    continue;
                }
                int low = struck(score, tick, Side.LEFT, true);
                int high = struck(score, tick, Side.RIGHT, false);
                boolean slow = score.asked().get(bar.index()).family().matches("hold|arpeggio|broken|pulse");
                int apart = low < 0 || high < 0 ? -1 : (high - low) % 12;
                boolean bare = slow
                        && (apart == 0 || apart == FIFTH)
                        && score.within(tick, tick + 1).stream()
                                .map(score.strokes()::get)
                                .allMatch(stroke -> stroke.notes().size() == 1);
                running = bare && apart == before && low != lowBefore ? running + 1 : bare ? 1 : 0;
                before = bare ? apart : -1;
                lowBefore = low;
                if (running >= PARALLELS) {
                    marks.add(
                            bar.index(),
                            score.within(tick, tick + 1),
                            Map.of("interval", apart == 0 ? "octaves" : "fifths"));
                }
            }
        }
    }

    private static int struck(Score score, int tick, Side hand, boolean lowest) {
        return score.within(tick, tick + 1).stream()
                .map(score.strokes()::get)
                .filter(stroke -> stroke.hand() == hand)
                .mapToInt(stroke -> (lowest ? stroke.lowest() : stroke.highest()).midi())
                .findFirst()
                .orElse(-1);
    }

    /** M6: the two hands swing differently. */
    static void swingApart(Score score, Marks marks) {
        for (int at : score.of(Side.RIGHT)) {
            Stroke right = score.strokes().get(at);
            Optional<Integer> apart = score
                    .within(right.written().tick(), right.written().tick() + 1)
                    .stream()
                    .filter(other -> {
                        Stroke left = score.strokes().get(other);
                        int off = (right.written().tick()
                                        - score.song().bars().get(right.bar()).tick())
                                % score.song().bars().get(right.bar()).meter().beatTicks();
                        return left.hand() == Side.LEFT
                                && off != 0
                                && left.roll().isEmpty()
                                && right.roll().isEmpty()
                                && Math.abs(left.sounding().tick()
                                                - right.sounding().tick())
                                        > score.song()
                                                        .bars()
                                                        .get(right.bar())
                                                        .meter()
                                                        .beatTicks()
                                                / 16;
                    })
                    .findFirst();
            if (apart.isPresent()) {
                marks.add(right.bar(), List.of(apart.get(), at), Map.of());
                return;
            }
        }
    }
}
