package zapateo.colour;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.refusal.Refused;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Repeat;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.SongPart;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * A song in its form: played out as it is heard, with an intro before it and a tag behind. Bars keep the numbers they
 * have in the chart, so that what was chosen for them holds; those of an intro are numbered on behind the last. What a
 * bar plays for the third time is the third time of that bar.
 */
public final class Formed {

    private static final int LINE = 4;
    private static final double SLOWER = 0.85;
    private static final double SLOWEST = 0.7;
    private static final String INTRO = "Intro";
    private static final String TAG = "Tag";

    private final Song song;
    private final Form form;
    private final Key home;
    /** In the order they are played. */
    private final List<Drawn> sections = new ArrayList<>();

    private final List<String> waiting = new ArrayList<>();

    private Formed(Song song, Form form) {
        this.song = song;
        this.form = form;
        this.home = song.bars().get(0).key();
    }

    /**
     * A section on its way.
     *
     * @param place in the chart's order from 1, 0 of what the chart has not
     * @param keys in force at each bar
     * @param tempos in force at each bar
     */
    private record Drawn(
            SongPart part, String name, int place, List<WrittenBar> bars, List<Key> keys, List<Tempo> tempos) {

        private static Drawn of(SongPart part, String name, List<WrittenBar> bars, Key key, Tempo tempo) {
            return new Drawn(
                    part,
                    name,
                    0,
                    bars,
                    new ArrayList<>(Collections.nCopies(bars.size(), key)),
                    new ArrayList<>(Collections.nCopies(bars.size(), tempo)));
        }
    }

    /** What comes of it; what the chart has no place for any more waits, and is said. */
    public record Result(Song song, List<String> waiting) {}

    public static Result of(Song song, Form form) {
        if (form.equals(Form.PLAIN)) {
            return new Result(song, List.of());
        }
        Formed formed = new Formed(song, form);
        Song built = formed.formed();
        return new Result(built, List.copyOf(formed.waiting));
    }

    /** @throws Refused naming the first choice that cannot be had of this song, and what could */
    public static void check(Song song, Form form) {
        of(song, form).waiting().stream().findFirst().ifPresent(wrong -> {
            throw new Refused(wrong);
        });
    }

    private Song formed() {
        chart();
        List<WrittenBar> line = lastLine();
        intro(line);
        tags(line);
        form.vamp().ifPresent(this::vamp);
        int raised = keyUp();
        close();
        breaks();
        Song played = Song.of(song.heading(), signed(), List.of());
        return raised < 0 ? played : played.raised(new Song.Raised(raised, way()));
    }

    /** The chart as it is played, each section as often as is wanted. */
    private void chart() {
        int most = song.sections().size();
        form.times().keySet().stream()
                .filter(place -> place > most)
                .sorted()
                .forEach(place -> waiting.add("times, section " + place + ": expected 1 to " + most));
        int place = 0;
        for (Section section : song.sections()) {
            place++;
            for (int time = 0; time < form.times().getOrDefault(place, 1); time++) {
                List<WrittenBar> bars = new ArrayList<>();
                for (Bar bar : section.bars()) {
                    bars.add(plain(bar));
                }
                sections.add(new Drawn(
                        SongPart.CHART,
                        section.name(),
                        place,
                        bars,
                        new ArrayList<>(section.bars().stream().map(Bar::key).toList()),
                        new ArrayList<>(section.bars().stream().map(Bar::tempo).toList())));
            }
        }
    }

    /** Without the signs of its repeats; a vamp stays one. */
    private static WrittenBar plain(Bar bar) {
        WrittenBar.Marks marks = bar.written().marks();
        boolean opens = bar.vamp() == bar.index();
        return bar.written()
                .marks(new WrittenBar.Marks(
                        Optional.empty(),
                        Optional.empty(),
                        opens,
                        List.of(),
                        marks.closes().filter(Repeat::vamp),
                        marks.pins(),
                        marks.words(),
                        marks.tunes(),
                        marks.guessed()));
    }

    /** A key or a tempo is signed where it changes. */
    private List<WrittenSection> signed() {
        List<WrittenSection> signed = new ArrayList<>();
        Key key = song.heading().key();
        Tempo tempo = song.heading().tempo();
        for (Drawn section : sections) {
            List<WrittenBar> bars = new ArrayList<>();
            for (int i = 0; i < section.bars().size(); i++) {
                WrittenBar.Marks marks = section.bars().get(i).marks();
                marks = section.keys().get(i).equals(key)
                        ? marks
                        : marks.key(section.keys().get(i));
                marks = section.tempos().get(i).equals(tempo)
                        ? marks
                        : marks.tempo(section.tempos().get(i));
                key = section.keys().get(i);
                tempo = section.tempos().get(i);
                bars.add(section.bars().get(i).marks(marks));
            }
            signed.add(WrittenSection.of(section.part(), section.name(), bars));
        }
        return signed;
    }

    private List<WrittenBar> lastLine() {
        List<WrittenBar> bars = sections.get(sections.size() - 1).bars();
        return List.copyOf(bars.subList(Math.max(0, bars.size() - LINE), bars.size()));
    }

    private void intro(List<WrittenBar> line) {
        if (form.intro() == Form.Intro.NONE) {
            return;
        }
        WrittenBar first = song.bars().stream()
                .filter(bar -> bar.number() > 0)
                .findFirst()
                .orElse(song.bars().get(0))
                .written();
        List<WrittenBar> bars = new ArrayList<>(
                switch (form.intro()) {
                    case NONE -> List.of();
                    case LAST_FOUR -> moved(line);
                    case FIRST_CHORDS ->
                        song.bars().stream()
                                .filter(bar -> bar.number() > 0)
                                .limit(LINE)
                                .map(Bar::written)
                                .toList();
                    case TURNAROUND -> Turnarounds.round(home, first.meter(), withSevenths());
                    case PEDAL -> Turnarounds.pedal(home, first.meter());
                    case OWN -> own();
                });
        if (bars.isEmpty()) {
            return;
        }
        int number =
                song.writtenBars().stream().mapToInt(WrittenBar::number).max().orElse(0);
        for (int i = 0; i < bars.size(); i++) {
            bars.set(
                    i,
                    new WrittenBar(
                            ++number,
                            bars.get(i).meter(),
                            bars.get(i).ticks(),
                            bars.get(i).chords(),
                            List.of(),
                            WrittenBar.Marks.NONE));
        }
        int last = bars.size() - 1;
        Optional<ChordSymbol> goal =
                first.chords().stream().flatMap(span -> span.chord().stream()).findFirst();
        if (form.intro() != Form.Intro.OWN && goal.isPresent()) {
            bars.set(last, Turnarounds.turned(bars.get(last), goal.get(), home));
        }
        // A pick-up takes its time from the bar before it.
        int pickUp = song.bars().get(0).number() == 0 ? song.bars().get(0).ticks() : 0;
        if (pickUp > 0 && pickUp < bars.get(last).ticks()) {
            bars.set(last, shorter(bars.get(last), bars.get(last).ticks() - pickUp));
        }
        if (form.waits()) {
            bars.set(0, bars.get(0).marks(bars.get(0).marks().opening()));
            bars.set(last, bars.get(last).marks(bars.get(last).marks().closes(Optional.of(Repeat.VAMP))));
        }
        sections.add(
                0,
                Drawn.of(SongPart.INTRO, INTRO, bars, home, song.bars().get(0).tempo()));
    }

    private static WrittenBar shorter(WrittenBar bar, int ticks) {
        List<ChordSpan> kept = bar.chords().stream()
                .filter(span -> span.tick() < ticks)
                .map(span -> span.at(span.tick(), Math.min(span.ticks(), ticks - span.tick())))
                .toList();
        return new WrittenBar(bar.number(), bar.meter(), ticks, kept, List.of(), bar.marks());
    }

    /** The last line in the key the song begins in. */
    private List<WrittenBar> moved(List<WrittenBar> line) {
        Key there = song.bars().get(song.bars().size() - 1).key();
        if (there.equals(home) || there.mode() != home.mode()) {
            return line;
        }
        Transposition way = Transposition.between(there, home);
        return line.stream()
                .map(bar -> bar.chords(bar.chords().stream()
                        .map(span -> span.chord()
                                .map(chord -> span.chord(way.of(chord)))
                                .orElse(span))
                        .toList()))
                .toList();
    }

    private List<WrittenBar> own() {
        if (form.own().filter(text -> !text.isBlank()).isEmpty()) {
            waiting.add("introChords: expected the intro's chords as a chart has them, as in Cm7 | F7");
            return List.of();
        }
        return read("introChords", form.own().get(), song.meter());
    }

    /** Bars as a chart has them; none where they cannot be read. */
    private List<WrittenBar> read(String choice, String text, Meter meter) {
        try {
            return Turnarounds.read(choice, text, meter, home);
        } catch (Refused refused) {
            waiting.add(refused.getMessage());
            return List.of();
        }
    }

    /** Most of its chords have a seventh. */
    private boolean withSevenths() {
        List<ChordSymbol> chords =
                song.chords().flatMap(place -> place.chord().stream()).toList();
        return 2
                        * chords.stream()
                                .filter(chord -> chord.quality().tone(7).isPresent())
                                .count()
                >= chords.size();
    }

    /** The last line again: each time but the last it turns back to its beginning. */
    private void tags(List<WrittenBar> line) {
        Optional<ChordSymbol> goal = line.get(0).chords().stream()
                .flatMap(span -> span.chord().stream())
                .findFirst();
        Section section = song.sections().get(song.sections().size() - 1);
        Bar end = section.bars().get(section.bars().size() - 1);
        for (int time = 0; time < form.tags(); time++) {
            List<WrittenBar> before = sections.get(sections.size() - 1).bars();
            int last = before.size() - 1;
            goal.ifPresent(chord -> before.set(last, Turnarounds.turned(before.get(last), chord, end.key())));
            sections.add(Drawn.of(SongPart.TAG, TAG, new ArrayList<>(line), end.key(), end.tempo()));
        }
    }

    private void vamp(Form.Bars wanted) {
        for (Drawn section : sections) {
            int from = at(section, wanted.from());
            int to = at(section, wanted.to());
            if (from >= 0 && to >= from) {
                section.bars()
                        .set(
                                from,
                                section.bars()
                                        .get(from)
                                        .marks(section.bars().get(from).marks().opening()));
                section.bars()
                        .set(
                                to,
                                section.bars()
                                        .get(to)
                                        .marks(section.bars().get(to).marks().closes(Optional.of(Repeat.VAMP))));
                return;
            }
        }
        waiting.add("vamp " + wanted.from() + "-" + wanted.to() + ": expected bars of one section");
    }

    private static int at(Drawn section, int number) {
        for (int i = 0; i < section.bars().size(); i++) {
            if (section.bars().get(i).number() == number) {
                return i;
            }
        }
        return -1;
    }

    private Transposition way() {
        return Transposition.by(
                form.keyUp().orElseThrow().semitones(), keyAt(form.keyUp().get().section()));
    }

    private Key keyAt(int place) {
        return song.sections().get(place - 1).bars().get(0).key();
    }

    /** The index of the first bar in another key, -1 for none; the bar before it leads there. */
    private int keyUp() {
        if (form.keyUp().isEmpty()) {
            return -1;
        }
        int place = form.keyUp().get().section();
        if (place > song.sections().size()) {
            waiting.add("keyUp " + place + ": expected a section from 1 to "
                    + song.sections().size());
            return -1;
        }
        int index = 0;
        int raised = -1;
        int at = -1;
        for (int i = 0; i < sections.size(); i++) {
            if (sections.get(i).place() == place) {
                raised = index;
                at = i;
            }
            index += sections.get(i).bars().size();
        }
        if (at > 0) {
            List<WrittenBar> before = sections.get(at - 1).bars();
            Key there = way().of(keyAt(place));
            Optional<ChordSymbol> goal = sections.get(at).bars().get(0).chords().stream()
                    .flatMap(span -> span.chord().stream())
                    .findFirst()
                    .map(way()::of);
            goal.ifPresent(chord ->
                    before.set(before.size() - 1, Turnarounds.turned(before.get(before.size() - 1), chord, there)));
        }
        return raised;
    }

    private void close() {
        List<WrittenBar> bars = sections.get(sections.size() - 1).bars();
        int last = bars.size() - 1;
        form.lastBar().ifPresent(text -> {
            List<WrittenBar> read = read("lastBar", text, bars.get(last).meter());
            if (read.size() == 1 && read.get(0).ticks() == bars.get(last).ticks()) {
                bars.set(last, bars.get(last).chords(read.get(0).chords()));
            } else if (!read.isEmpty()) {
                waiting.add("lastBar \"" + text + "\": expected the chords of one bar, as in Fm6 . C .");
            }
        });
        if (form.close() == Form.Close.AMEN) {
            Turnarounds.amen(bars, song.bars().get(song.bars().size() - 1).key());
        }
        if (form.slower()) {
            List<Tempo> tempos = sections.get(sections.size() - 1).tempos();
            Tempo tempo = tempos.get(last);
            tempos.set(Math.max(0, last - 1), slowed(tempo, SLOWER));
            tempos.set(last, slowed(tempo, SLOWEST));
        }
    }

    private static Tempo slowed(Tempo tempo, double by) {
        return Tempo.of(Math.max(Tempo.SLOWEST, Math.round(tempo.bpm() * by)), tempo.beatTicks());
    }

    /** The chord on the first beat, then nothing. */
    private void breaks() {
        for (Form.Break each : form.breaks()) {
            int pass = 0;
            boolean found = false;
            for (Drawn section : sections) {
                int at = at(section, each.bar());
                if (at < 0) {
                    continue;
                }
                pass++;
                if (each.pass().isEmpty() || each.pass().get() == pass) {
                    section.bars().set(at, stopped(section.bars().get(at)));
                    found = true;
                }
            }
            if (!found) {
                waiting.add("break " + each.bar()
                        + each.pass().map(time -> "@" + time).orElse("")
                        + ": expected the number of a bar that is played, and perhaps which time, as in 8@2");
            }
        }
    }

    private static WrittenBar stopped(WrittenBar bar) {
        int beat = bar.meter().beatTicks();
        if (bar.ticks() <= beat) {
            return bar;
        }
        ChordSpan first = bar.chords().get(0);
        return bar.chords(List.of(first.at(0, beat), ChordSpan.silence(beat, bar.ticks() - beat)));
    }
}
