package zapateo.format;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Backup;
import org.audiveris.proxymusic.BarStyle;
import org.audiveris.proxymusic.BarStyleColor;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.BeamValue;
import org.audiveris.proxymusic.Clef;
import org.audiveris.proxymusic.ClefSign;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Offset;
import org.audiveris.proxymusic.Print;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.StaffDetails;
import org.audiveris.proxymusic.StaffSize;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.YesNo;
import zapateo.arrangement.Shades;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Side;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Understanding;

/** Lays the bars of an arrangement out as MusicXML measures. */
final class MeasureWriter {

    private static final int BARS_PER_SYSTEM = 4;
    /** Per cent of a staff that is played. */
    private static final BigDecimal CUE_SIZE = BigDecimal.valueOf(72);

    private final ObjectFactory make = new ObjectFactory();
    private final Written written;
    private final PageShown shown;
    /** Of the chords, where their degrees are told. */
    private final Optional<Understanding> understanding;

    private final List<Side> staves;
    private final List<Bar> bars;
    private final int from;
    private final int to;
    private final boolean headed;
    private final boolean cue;
    private final List<TickSpan> pedalled;
    private final Map<Side, Map<Integer, List<StaffBar.Numbered>>> byHandAndBar = new HashMap<>();

    MeasureWriter(Written written, Hands hands, PageShown shown, int from, int to, boolean headed) {
        this.shown = shown;
        this.understanding = shown.degrees() ? Optional.of(Understanding.degrees(written.song())) : Optional.empty();
        this.written = written;
        this.cue = hands == Hands.LEAD_LEFT;
        this.staves = hands == Hands.LEFT ? List.of(Side.LEFT) : List.of(Side.RIGHT, Side.LEFT);
        this.bars = written.song().bars();
        this.from = from;
        this.to = to;
        this.headed = headed;
        this.pedalled = written.pedalled();
        List<Stroke> strokes = written.strokes();
        for (int i = 0; i < strokes.size(); i++) {
            StaffBar.Numbered.of(strokes.get(i), i, bars).forEach(this::place);
        }
        byHandAndBar
                .values()
                .forEach(each -> each.values()
                        .forEach(bar -> bar.sort(Comparator.comparingInt(
                                numbered -> numbered.stroke().written().tick()))));
    }

    private void place(StaffBar.Numbered numbered) {
        Stroke stroke = numbered.stroke();
        for (int bar = stroke.bar();
                bar < bars.size()
                        && (bar == stroke.bar()
                                || bars.get(bar).tick() < stroke.written().end());
                bar++) {
            byHandAndBar
                    .computeIfAbsent(stroke.hand(), hand -> new HashMap<>())
                    .computeIfAbsent(bar, each -> new ArrayList<>())
                    .add(numbered);
        }
    }

    List<ScorePartwise.Part.Measure> measures() {
        return bars.subList(from, to + 1).stream().map(this::measure).toList();
    }

    private ScorePartwise.Part.Measure measure(Bar bar) {
        ScorePartwise.Part.Measure measure = make.createScorePartwisePartMeasure();
        measure.setNumber(String.valueOf(bar.number()));
        measure.setImplicit(bar.number() == 0 ? YesNo.YES : null);
        List<Object> content = measure.getNoteOrBackupOrForward();
        boolean first = bar.index() == from;
        // A beat of silence before it all counts for none.
        int start = from == 0 ? written.bars() : from;
        if (!first && (bar.index() - start) % BARS_PER_SYSTEM == 0 && bar.index() > start) {
            Print print = make.createPrint();
            print.setNewSystem(YesNo.YES);
            content.add(print);
        }
        boolean newMeter = first || !bars.get(bar.index() - 1).meter().equals(bar.meter());
        boolean newKey = first || !bars.get(bar.index() - 1).key().equals(bar.key());
        if (newMeter || newKey) {
            content.add(attributes(bar, first, newKey, newMeter));
        }
        if (headed) {
            writeHeading(content, bar);
        }
        understanding.ifPresent(told -> degrees(content, bar, told));
        if (shown.pins()) {
            bar.written()
                    .marks()
                    .pins()
                    .forEach(pin -> content.add(Directions.below((pin.warning() ? "! " : "") + pin.text(), 0)));
        }
        dynamics(bar).ifPresent(sign -> content.add(Directions.dynamics(sign)));
        Swells.beginningAt(written.shades(), bar, from).ifPresent(content::add);
        for (Side hand : staves) {
            if (hand != staves.get(0)) {
                content.add(backup(bar.ticks()));
            }
            writeStaff(content, bar, hand);
        }
        Swells.endingAfter(written.shades(), bar, to).ifPresent(content::add);
        if (bar.index() == bars.size() - 1) {
            content.add(finalBarline());
        }
        return measure;
    }

    private static void degrees(List<Object> content, Bar bar, Understanding told) {
        for (int i = 0; i < bar.chords().size(); i++) {
            int tick = bar.chords().get(i).tick();
            told.place(bar.written(), i)
                    .ifPresent(
                            place -> content.add(Directions.words(place.degree().roman(), tick)));
        }
    }

    private void writeHeading(List<Object> content, Bar bar) {
        if (bar.index() == 0) {
            content.add(Directions.tempo(
                    bar.tempo(),
                    written.swing().equals(Swing.NONE)
                            ? Feel.STRAIGHT
                            : written.song().feel(),
                    written.swing()));
        } else if (!bars.get(bar.index() - 1).tempo().equals(bar.tempo())) {
            content.add(Directions.tempo(bar.tempo(), Feel.STRAIGHT, written.swing()));
        }
        written.song().sections().stream()
                .filter(section ->
                        !section.name().isEmpty() && section.bars().get(0).index() == bar.index())
                .map(Section::name)
                .findFirst()
                .ifPresent(name -> content.add(Directions.section(name)));
    }

    private List<StaffBar.Numbered> strokes(Side hand, int bar) {
        return byHandAndBar.getOrDefault(hand, Map.of()).getOrDefault(bar, List.of());
    }

    private IntPredicate fingered(Side hand, Bar bar) {
        boolean first = bar.index() == from;
        if (shown.fingers() != FingersShown.FEW) {
            return number -> shown.fingers() == FingersShown.ALL;
        }
        return FingerMarks.of(
                bar,
                strokes(hand, bar.index()),
                first ? null : bars.get(bar.index() - 1),
                first ? List.of() : strokes(hand, bar.index() - 1));
    }

    private List<PedalMarks.Mark> pedalMarks(Bar bar) {
        int staff = staves.size() > 1 ? staves.size() : 0;
        if (headed) {
            return PedalMarks.of(pedalled, bar, staff);
        }
        return PedalMarks.simile(
                pedalled,
                bar,
                IntStream.rangeClosed(1, 2)
                        .map(back -> bar.index() - back)
                        .filter(index -> index >= from)
                        .mapToObj(bars::get)
                        .toList(),
                staff);
    }

    /**
     * How loud it begins, and where a section is played louder or softer than the one before: where the player has to
     * know it.
     */
    private Optional<String> dynamics(Bar bar) {
        List<Shades.Shade> shades = written.shades().bars();
        int level = shades.get(bar.index()).level();
        int before = bar.index() == 0 ? level : shades.get(bar.index() - 1).level();
        boolean first = bar.index() == from && bars.get(from).number() <= 1;
        Optional<Bar> loud = bars.stream()
                .filter(each -> !strokes(Side.LEFT, each.index()).isEmpty())
                .findFirst();
        if (loud.isEmpty() || !first && Swells.sign(level).equals(Swells.sign(before))) {
            return Optional.empty();
        }
        double velocity = strokes(Side.LEFT, loud.get().index()).stream()
                .flatMap(numbered -> numbered.stroke().notes().stream())
                .mapToInt(PartNote::velocity)
                .average()
                .orElseThrow();
        return Optional.of(Swells.mark(velocity - shades.get(loud.get().index()).level(), level));
    }

    private void writeStaff(List<Object> content, Bar bar, Side hand) {
        List<StaffBar.Numbered> strokes = strokes(hand, bar.index());
        BigInteger staff = staves.size() > 1 ? BigInteger.valueOf(staves.indexOf(hand) + 1L) : null;
        NoteWriter writer = new NoteWriter(bar.key(), staff, fingered(hand, bar));
        if (hand == staves.get(0)) {
            bar.chords().stream().filter(ChordSpan::isSaid).forEach(span -> content.add(harmony(span)));
        }
        List<List<StaffBar.Event>> voices = StaffBar.of(bar, strokes).voices();
        for (int voice = 0; voice < voices.size(); voice++) {
            if (voice > 0) {
                content.add(backup(bar.ticks()));
            }
            String name = String.valueOf(1 + voice + 4 * staves.indexOf(hand));
            boolean pedals = voice == 0 && hand == staves.get(staves.size() - 1);
            writeVoice(content, bar, voices.get(voice), writer, name, voice > 0, pedals ? pedalMarks(bar) : List.of());
        }
    }

    /** What stands last under each fermata; its sign stands over that. */
    private static Set<StaffBar.Event> held(Bar bar, List<StaffBar.Event> events) {
        Set<StaffBar.Event> held = new HashSet<>();
        bar.chords().stream()
                .filter(ChordSpan::held)
                .forEach(span -> events.stream()
                        .filter(event -> event.tick() < span.end()
                                && event.tick() + event.value().ticks() > span.tick())
                        .reduce((first, second) -> second)
                        .ifPresent(held::add));
        return held;
    }

    private void writeVoice(
            List<Object> content,
            Bar bar,
            List<StaffBar.Event> events,
            NoteWriter writer,
            String voice,
            boolean hideRests,
            List<PedalMarks.Mark> pedals) {
        Deque<PedalMarks.Mark> marks = new ArrayDeque<>(pedals);
        List<StaffBar.Event> timed =
                events.stream().filter(event -> !event.isGrace()).toList();
        Map<StaffBar.Event, List<BeamValue>> beams = Beams.of(bar.meter(), timed);
        Map<StaffBar.Event, StartStop> triplets = triplets(timed);
        if (events.isEmpty() || events.stream().allMatch(StaffBar.Event::isRest)) {
            write(content, marks, 0);
            content.add(writer.barRest(bar.ticks(), voice, bar.chords().stream().anyMatch(ChordSpan::held)));
            write(content, marks, bar.ticks());
            return;
        }
        Set<StaffBar.Event> held = hideRests ? Set.of() : held(bar, timed);
        for (StaffBar.Event event : events) {
            write(content, marks, event.tick());
            if (event.isRest() && hideRests && !event.value().triplet()) {
                Forward forward = make.createForward();
                forward.setDuration(BigDecimal.valueOf(event.value().ticks()));
                content.add(forward);
            } else {
                content.addAll(writer.notes(
                        event,
                        voice,
                        beams.getOrDefault(event, List.of()),
                        Optional.ofNullable(triplets.get(event)),
                        held.contains(event)));
            }
        }
        write(content, marks, bar.ticks());
    }

    /**
     * Those up to a tick, before what stands there: readers take a mark to be of the voice around it and make little of
     * an offset.
     */
    private static void write(List<Object> content, Deque<PedalMarks.Mark> marks, int tick) {
        while (!marks.isEmpty() && marks.peek().tick() <= tick) {
            content.add(marks.poll().direction());
        }
    }

    /** Where the sign over three in the time of two begins and where it ends: inside one quarter. */
    private static Map<StaffBar.Event, StartStop> triplets(List<StaffBar.Event> events) {
        Map<StaffBar.Event, StartStop> signs = new HashMap<>();
        StaffBar.Event first = null;
        for (int i = 0; i < events.size(); i++) {
            StaffBar.Event event = events.get(i);
            boolean goesOn = first != null && first.tick() / Ticks.PER_QUARTER == event.tick() / Ticks.PER_QUARTER;
            if (!event.value().triplet()) {
                continue;
            }
            first = goesOn ? first : event;
            boolean last = i + 1 == events.size()
                    || !events.get(i + 1).value().triplet()
                    || events.get(i + 1).tick() / Ticks.PER_QUARTER != event.tick() / Ticks.PER_QUARTER;
            if (last && first != event) {
                signs.put(first, StartStop.START);
                signs.put(event, StartStop.STOP);
            }
        }
        return signs;
    }

    /**
     * All of a bar's symbols stand at its start, each with its offset: no rest above them need be cut for their sake.
     */
    private Object harmony(ChordSpan span) {
        if (!headed && span.chord().isEmpty()) {
            // The engraver here has no way of its own to say that there is no chord.
            return Directions.words(span.written(), span.tick());
        }
        Harmony harmony = headed ? ChordSymbols.harmony(span) : ChordSymbols.engraved(span);
        if (span.tick() > 0) {
            Offset offset = make.createOffset();
            offset.setValue(BigDecimal.valueOf(span.tick()));
            harmony.setOffset(offset);
        }
        harmony.setStaff(staves.size() > 1 ? BigInteger.ONE : null);
        return harmony;
    }

    private Attributes attributes(Bar bar, boolean first, boolean newKey, boolean newMeter) {
        Attributes attributes = make.createAttributes();
        if (first) {
            attributes.setDivisions(BigDecimal.valueOf(Ticks.PER_QUARTER));
        }
        if (newKey) {
            attributes.getKey().add(Signatures.key(bar.key()));
        }
        if (newMeter) {
            attributes.getTime().add(Signatures.time(bar.meter()));
        }
        if (first) {
            attributes.setStaves(staves.size() > 1 ? BigInteger.valueOf(staves.size()) : null);
            for (Side hand : staves) {
                attributes.getClef().add(clef(hand));
            }
            if (cue) {
                attributes.getStaffDetails().add(small());
            }
        }
        return attributes;
    }

    /** The tune over what is played is a small staff. */
    private StaffDetails small() {
        StaffDetails details = make.createStaffDetails();
        details.setNumber(BigInteger.valueOf(staves.indexOf(Side.RIGHT) + 1L));
        StaffSize size = make.createStaffSize();
        size.setValue(CUE_SIZE);
        details.setStaffSize(size);
        return details;
    }

    private Clef clef(Side hand) {
        Clef clef = make.createClef();
        clef.setNumber(staves.size() > 1 ? BigInteger.valueOf(staves.indexOf(hand) + 1L) : null);
        clef.setSign(hand == Side.RIGHT ? ClefSign.G : ClefSign.F);
        clef.setLine(BigInteger.valueOf(hand == Side.RIGHT ? 2 : 4));
        return clef;
    }

    private Backup backup(int ticks) {
        Backup backup = make.createBackup();
        backup.setDuration(BigDecimal.valueOf(ticks));
        return backup;
    }

    private Barline finalBarline() {
        Barline barline = make.createBarline();
        barline.setLocation(RightLeftMiddle.RIGHT);
        BarStyleColor style = make.createBarStyleColor();
        style.setValue(BarStyle.LIGHT_HEAVY);
        barline.setBarStyle(style);
        return barline;
    }
}
