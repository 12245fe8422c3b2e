package zapateo.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zapateo.arrangement.Arrangement;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/**
 * A run of bars to be played in one layer at a tempo; its times count from its first bar line.
 *
 * @param first index of the first bar, as played
 * @param last index of the last
 * @param notes in the order of time, those struck together from low to high
 * @param pedal as asked for
 * @param beatMs how long a beat of its first bar lasts
 */
public record Passage(int first, int last, Layer layer, List<Note> notes, List<PedalSpan> pedal, double beatMs) {

    public static final double SLOWEST = 20;
    public static final double FASTEST = 400;
    /** Onsets nearer than this are one. */
    static final double TOGETHER = 12;
    /** Nobody loops more; a take of so many is judged in a quarter of a second. */
    public static final int MOST_BARS = 256;

    private static final int JUMP = 12;

    public Passage {
        notes = List.copyOf(notes);
        pedal = List.copyOf(pedal);
    }

    /**
     * A key to be struck.
     *
     * @param stroke index among the arrangement's strokes
     * @param note which of its notes, from low
     * @param tick where its stroke is heard
     * @param ms when it is to sound
     * @param beat when its stroke is to sound: the same but in a roll
     * @param held how long
     * @param roll its place in a roll
     * @param between to the nearer of the onsets beside it in its hand, infinite where there is none
     * @param jump semitones its hand has come from the stroke before, lowest to lowest, where that is an octave or
     *     more, else 0
     * @param opens whether it is among the first of its bar
     */
    public record Note(
            int stroke,
            int note,
            Side hand,
            int midi,
            int finger,
            int bar,
            int tick,
            double ms,
            double beat,
            double held,
            Optional<Rolled> roll,
            double between,
            int jump,
            boolean opens) {

        /**
         * How far off it may be and is right all the same (HANDBOOK §12; 50 ms: the tolerance of the MIREX note tasks,
         * from memory).
         */
        public double tolerance() {
            return Math.min(50, 0.3 * between);
        }
    }

    /** A note of a chord that is rolled: whether it is the one on the beat, and whether the roll comes before it. */
    public record Rolled(boolean onBeat, boolean before) {}

    public record PedalSpan(double down, double up) {}

    /**
     * @param bpm beats a minute, as the song counts its tempo
     * @throws Refused where there are no such bars, or nothing in them to play
     */
    public static Passage of(Arrangement arrangement, int first, int last, Layer layer, double bpm) {
        Song song = arrangement.song();
        if (first < 0 || last < first || last >= song.bars().size()) {
            throw new Refused("bars " + (first + 1) + "-" + (last + 1) + ": expected some of the "
                    + song.bars().size() + " that are played");
        }
        if (last - first >= MOST_BARS) {
            throw new Refused(
                    "bars " + (first + 1) + "-" + (last + 1) + ": expected at most " + MOST_BARS + " at a time");
        }
        if (!(bpm >= SLOWEST && bpm <= FASTEST)) {
            throw new Refused("tempo " + bpm + ": expected " + (int) SLOWEST + " to " + (int) FASTEST);
        }
        Timeline timeline = arrangement.timeline();
        double pace = song.tempo().bpm() / bpm;
        int from = song.bars().get(first).tick();
        int to = song.bars().get(last).end();
        double zero = timeline.ms(from);
        List<Note> notes = new ArrayList<>();
        List<Stroke> strokes = arrangement.strokes();
        int[] before = new int[] {-1, -1};
        for (int at = 0; at < strokes.size(); at++) {
            Stroke stroke = strokes.get(at);
            int hand = stroke.hand() == Side.LEFT ? 0 : 1;
            int lowest = stroke.lowest().midi();
            boolean here = stroke.written().tick() >= from && stroke.written().tick() < to;
            for (int index : here ? layer.of(stroke) : List.<Integer>of()) {
                PartNote note = stroke.notes().get(index);
                int tick = stroke.sounding().tick();
                double ms = (timeline.ms(tick + note.delayTicks()) - zero) * pace;
                double beat = (timeline.ms(tick) - zero) * pace;
                double end = (timeline.ms(stroke.sounding().end()) - zero) * pace;
                boolean lead =
                        stroke.roll().filter(roll -> roll.leadTicks() > 0).isPresent();
                Optional<Rolled> roll = stroke.roll().map(how -> new Rolled(note.delayTicks() == 0, lead));
                int jump = before[hand] < 0 || Math.abs(lowest - before[hand]) < JUMP ? 0 : lowest - before[hand];
                notes.add(new Note(
                        at,
                        index,
                        stroke.hand(),
                        note.pitch().midi(),
                        note.finger(),
                        stroke.bar(),
                        tick,
                        ms,
                        beat,
                        end - ms,
                        roll,
                        Double.POSITIVE_INFINITY,
                        jump,
                        stroke.written().tick() == song.bars().get(stroke.bar()).tick()));
            }
            before[hand] = lowest;
        }
        if (notes.isEmpty()) {
            throw new Refused(
                    "bars " + (first + 1) + "-" + (last + 1) + " have nothing to play in the layer " + layer.id());
        }
        List<PedalSpan> pedal = arrangement.pedal().stream()
                .filter(span -> span.up() > from && span.down() < to)
                .map(span ->
                        new PedalSpan((timeline.ms(span.down()) - zero) * pace, (timeline.ms(span.up()) - zero) * pace))
                .toList();
        notes.sort(Comparator.comparingDouble(Note::ms).thenComparingInt(Note::midi));
        Bar opening = song.bars().get(first);
        return new Passage(
                first,
                last,
                layer,
                between(notes),
                pedal,
                opening.tempo().millisecondsOf(opening.meter().beatTicks()) * pace);
    }

    /** With the time to the nearer onset beside each in its hand. */
    private static List<Note> between(List<Note> notes) {
        List<Note> all = new ArrayList<>(notes);
        for (Side hand : Side.values()) {
            List<Integer> own = java.util.stream.IntStream.range(0, notes.size())
                    .filter(at -> notes.get(at).hand() == hand)
                    .boxed()
                    .toList();
            for (int i = 0; i < own.size(); i++) {
                Note note = notes.get(own.get(i));
                double nearest = Double.POSITIVE_INFINITY;
                for (int way : new int[] {-1, 1}) {
                    int other = i + way;
                    while (other >= 0
                            && other < own.size()
                            && (notes.get(own.get(other)).stroke() == note.stroke()
                                    || Math.abs(notes.get(own.get(other)).beat() - note.beat()) < TOGETHER)) {
                        other += way;
                    }
                    if (other >= 0 && other < own.size()) {
                        nearest = Math.min(
                                nearest, Math.abs(notes.get(own.get(other)).beat() - note.beat()));
                    }
                }
                all.set(
                        own.get(i),
                        new Note(
                                note.stroke(),
                                note.note(),
                                note.hand(),
                                note.midi(),
                                note.finger(),
                                note.bar(),
                                note.tick(),
                                note.ms(),
                                note.beat(),
                                note.held(),
                                note.roll(),
                                nearest,
                                note.jump(),
                                note.opens()));
            }
        }
        return List.copyOf(all);
    }

    /** Half of what a beat lasts, at least a sixth of a second: how far from its time a stroke is looked for. */
    double window() {
        return Math.max(170, beatMs / 2);
    }
}
