package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.part.GivenRun;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Both hands in unison up the chord before a section begins (HANDBOOK §9): over the last two beats, in eighths, an
 * octave apart, where the melody rests.
 *
 * @param left the runs for the left hand
 * @param right strokes of the right hand with the runs in place of what it had there
 */
public record Unison(List<GivenRun> left, List<Stroke> right) {

    private static final int LEFT_LOWEST = Pitch.parse("B2").midi();
    private static final int BEATS = 2;
    private static final int VELOCITY = 74;
    /** Notes of it do not follow one another faster than this. */
    private static final double QUICKEST_MS = 120;

    /** @param left in the order of time, as written; @param right the same */
    public static Unison before(Song song, List<Stroke> left, List<Stroke> right) {
        List<GivenRun> runs = new ArrayList<>();
        List<Stroke> rightNow = new ArrayList<>(right);
        for (int i = 0; i + 1 < song.sections().size(); i++) {
            Section section = song.sections().get(i);
            Bar bar = section.bars().get(section.bars().size() - 1);
            int from = bar.end() - BEATS * bar.meter().beatTicks();
            Optional<ChordSymbol> chord = from < bar.tick() ? Optional.empty() : song.chordAt(from);
            boolean sung = right.stream()
                    .anyMatch(stroke -> stroke.written().end() > from
                            && stroke.written().tick() < bar.end()
                            && stroke.nature().origin().isSung());
            boolean early = left.stream()
                    .anyMatch(stroke -> stroke.written().tick() >= from
                            && stroke.written().tick() < bar.end()
                            && stroke.written().end() > bar.end());
            if (chord.isPresent() && !sung && !early && bar.tempo().millisecondsOf(Ticks.PER_EIGHTH) >= QUICKEST_MS) {
                List<Pitch> run = run(chord.get(), (bar.end() - from) / Ticks.PER_EIGHTH);
                runs.add(new GivenRun(
                        TickSpan.of(from, bar.end() - from), strokes(Side.LEFT, bar, from, run, chord.get(), 0)));
                put(rightNow, bar, from, strokes(Side.RIGHT, bar, from, run, chord.get(), 1));
            }
        }
        return new Unison(runs, rightNow);
    }

    /** Tone after tone from the root up. */
    private static List<Pitch> run(ChordSymbol chord, int count) {
        List<PitchClass> tones = chord.quality().tones().stream()
                .filter(tone -> tone.number() <= 7)
                .map((Interval tone) -> chord.tone(tone).simple())
                .toList();
        List<Pitch> run = new ArrayList<>();
        for (int key = LEFT_LOWEST; run.size() < count; key++) {
            int here = key;
            boolean begun = !run.isEmpty()
                    || Math.floorMod(key, Pitch.OCTAVE) == tones.get(0).chroma();
            if (begun) {
                tones.stream()
                        .filter(tone -> tone.chroma() == Math.floorMod(here, Pitch.OCTAVE))
                        .findFirst()
                        .ifPresent(tone -> run.add(Pitch.onKey(here, tone)));
            }
        }
        return run;
    }

    private static void put(List<Stroke> strokes, Bar bar, int from, List<Stroke> run) {
        strokes.removeIf(
                stroke -> stroke.written().tick() >= from && stroke.written().tick() < bar.end());
        int at = 0;
        for (; at < strokes.size() && strokes.get(at).written().tick() < from; at++) {
            Stroke before = strokes.get(at);
            if (before.written().end() > from) {
                TickSpan shorter = TickSpan.of(
                        before.written().tick(), from - before.written().tick());
                strokes.set(at, before.moved(before.bar(), shorter));
            }
        }
        strokes.addAll(at, run);
    }

    private static List<Stroke> strokes(Side hand, Bar bar, int from, List<Pitch> run, ChordSymbol chord, int octaves) {
        Reason why = Reason.of("unison", Map.of("chord", chord.toString()));
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < run.size(); i++) {
            TickSpan span = TickSpan.of(from + i * Ticks.PER_EIGHTH, Ticks.PER_EIGHTH);
            PartNote note = PartNote.of(run.get(i), Role.TUNE).octaves(octaves).struck(VELOCITY);
            strokes.add(Stroke.of(
                    hand, bar.index(), 0, span, Mark.TOE, false, List.of(note), Nature.of(Origin.UNISON), why));
        }
        return strokes;
    }
}
