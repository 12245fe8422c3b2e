package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Mode;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;
import zapateo.song.Problem;
import zapateo.song.Repeat;
import zapateo.song.TuneNote;

/**
 * Reads a lead sheet from MusicXML 2.0 to 4.0: chords from {@code <harmony>}, the melody from the first voice of the
 * first part, signatures, tempo, rehearsal marks as sections, repeats and endings, words under the notes. Other voices
 * and parts are named, not read.
 */
final class MusicXmlReader {

    /** What stands in a measure and only concerns how it looks or how it is played elsewhere. */
    private static final Set<String> LOOKS =
            Set.of("print", "sound", "listening", "bookmark", "link", "figured-bass", "grouping");

    private static final Map<String, Integer> BEAT_UNITS =
            Map.of("16th", 240, "eighth", 480, "quarter", 960, "half", 1920, "whole", 3840);

    static final String PART = "part";

    private final FileFormat format;
    private final List<Problem> problems = new ArrayList<>();
    private final SongBuilder song = new SongBuilder(problems);
    private final Set<String> otherVoices = new TreeSet<>();
    private Meter meter = Meter.COMMON;
    private double divisions = 1;
    private String voice = "";
    private List<Integer> endings = List.of();
    private boolean transposed;
    private SongBuilder.Draft draft = new SongBuilder.Draft(Meter.COMMON, 1);

    private MusicXmlReader(FileFormat format) {
        this.format = format;
    }

    static FileReading read(byte[] content, FileFormat format) {
        MusicXmlReader reader = new MusicXmlReader(format);
        try {
            return reader.read(content, LeadPart.of(content));
        } catch (XmlTree.Unread unread) {
            return FileReading.refused(
                    format,
                    unread.code,
                    unread.line,
                    unread.column,
                    unread.found,
                    "a whole MusicXML file without entities or a document type of its own");
        }
    }

    /** Measures of the part that is read go by one at a time, those of the others are left out. */
    private FileReading read(byte[] content, int lead) throws XmlTree.Unread {
        int[] parts = {0};
        XmlTree root = XmlTree.read(content, (parent, whole) -> {
            if (whole.name.equals(PART)) {
                parts[0]++;
            }
            if (!whole.name.equals("measure") || !parent.name.equals(PART)) {
                return true;
            }
            if (parts[0] == lead && !song.isFull()) {
                readMeasure(whole);
            }
            return false;
        });
        return built(root, lead);
    }

    private FileReading built(XmlTree root, int at) {
        if (!root.name.equals("score-partwise")) {
            return FileReading.refused(
                    format, "musicxml-root", root.line, root.column, "<" + root.name + ">", "<score-partwise>");
        }
        root.child("work")
                .flatMap(work -> work.text("work-title"))
                .or(() -> root.text("movement-title"))
                .ifPresent(song::title);
        List<XmlTree> parts = root.all(PART).toList();
        if (parts.isEmpty()) {
            return FileReading.refused(
                    format, "musicxml-empty", root.line, root.column, "no part", "one <part> at least");
        }
        XmlTree lead = parts.get(Math.min(at, parts.size() - 1));
        parts.stream()
                .filter(part -> part != lead)
                .forEach(part ->
                        warn("part-unread", part, part.attribute("id").orElse(""), "one part with chords or a melody"));
        if (!otherVoices.isEmpty()) {
            problems.add(new Problem(
                    Problem.Severity.WARNING,
                    "voices-unread",
                    lead.line,
                    lead.column,
                    0,
                    String.join(", ", otherVoices),
                    "the first voice alone"));
        }
        return FileReading.of(format, song.build(), problems);
    }

    private void warn(String code, XmlTree at, String found, String expected) {
        if (problems.size() < 100) {
            problems.add(new Problem(Problem.Severity.WARNING, code, at.line, at.column, 0, found, expected));
        }
    }

    private void readMeasure(XmlTree measure) {
        measure.all("attributes").findFirst().ifPresent(this::readMeter);
        draft = new SongBuilder.Draft(meter, measure.line);
        draft.endings = endings;
        double at = 0;
        double longest = 0;
        double noteStart = 0;
        for (XmlTree each : measure.children) {
            switch (each.name) {
                case "attributes" -> readAttributes(each);
                case "note" -> {
                    if (each.has("chord")) {
                        readChordNote(each, noteStart);
                    } else if (!each.has("grace")) {
                        noteStart = at;
                        readNote(each, ticks(at), ticks(duration(each)));
                        at += duration(each);
                    }
                }
                case "backup" -> at = Math.max(0, at - duration(each));
                case "forward" -> at += duration(each);
                case "harmony" -> readHarmony(each, ticks(at));
                case "direction" -> readDirection(each, ticks(at));
                case "barline" -> readBarline(each);
                default -> {
                    if (!LOOKS.contains(each.name)) {
                        warn("element-unread", each, "<" + each.name + ">", "notes, chords and signs");
                    }
                }
            }
            longest = Math.max(longest, at);
        }
        boolean implicit = measure.attribute("implicit").filter("yes"::equals).isPresent();
        draft.ticks = longest <= 0 ? meter.barTicks() : ticks(longest);
        // A bar that is not quite full and does not say so is full of rests.
        if (draft.ticks < meter.barTicks() && !implicit && song.bars() > 0 && !splits(measure)) {
            draft.ticks = meter.barTicks();
        }
        song.add(draft);
    }

    /** Whether a bar line with a repeat stands in the middle of a written bar: the halves say so by their bar lines. */
    private boolean splits(XmlTree measure) {
        return measure.all("barline").anyMatch(line -> line.has("repeat") || line.has("ending"))
                || !draft.tune.isEmpty();
    }

    private double duration(XmlTree each) {
        return each.number("duration")
                .filter(found -> found >= 0 && found < 1_000_000)
                .orElse(0.0);
    }

    private int ticks(double units) {
        return (int) Math.min(1_000_000, Math.round(units * Ticks.PER_QUARTER / divisions));
    }

    private void readMeter(XmlTree attributes) {
        attributes.number("divisions").filter(found -> found > 0).ifPresent(found -> divisions = found);
        attributes.child("time").ifPresent(time -> {
            String text =
                    time.text("beats").orElse("") + "/" + time.text("beat-type").orElse("");
            Optional<Meter> read = Meter.read(text);
            if (read.isPresent()) {
                meter = read.get();
                if (song.bars() == 0) {
                    song.meter = read;
                }
            } else if (!time.has("senza-misura")) {
                warn("meter-unread", time, text, "1 to 16 over 2, 4, 8 or 16");
            }
        });
    }

    private void readAttributes(XmlTree attributes) {
        attributes.number("divisions").filter(found -> found > 0).ifPresent(found -> divisions = found);
        attributes.child("key").flatMap(this::readKey).ifPresent(key -> {
            if (song.bars() == 0 && song.key.isEmpty()) {
                song.key = Optional.of(key);
            } else {
                draft.key = Optional.of(key);
            }
        });
        if (attributes.has("transpose") && !transposed) {
            transposed = true;
            warn("transposing", attributes, "", "a part at sounding pitch; it is read as written");
        }
    }

    private Optional<Key> readKey(XmlTree element) {
        Optional<Double> fifths = element.number("fifths").filter(found -> Math.abs(found) <= 7);
        String named = element.text("mode").orElse("major").toLowerCase(Locale.ROOT);
        Optional<Mode> mode = Mode.named(named);
        if (fifths.isEmpty() || mode.isEmpty()) {
            warn(
                    "key-unread",
                    element,
                    element.text("fifths").orElse("") + " " + named,
                    "-7 to 7 fifths in major, minor, Dorian or Mixolydian; major is taken");
        }
        return fifths.map(found -> {
            Mode taken = mode.orElse(Mode.MAJOR);
            return Key.of(PitchClass.onLine(found.intValue() - taken.fifthsFromMajor()), taken);
        });
    }

    private boolean isOurs(XmlTree note) {
        if (note.has("rest")
                && note.child("rest").flatMap(rest -> rest.attribute("measure")).isEmpty()
                && voice.isEmpty()
                && note.text("voice").isEmpty()) {
            return true;
        }
        String own = note.text("staff").orElse("1") + "." + note.text("voice").orElse("1");
        if (voice.isEmpty()) {
            voice = own;
        }
        if (!own.equals(voice)) {
            otherVoices.add("staff " + own.replace(".", " voice "));
        }
        return own.equals(voice);
    }

    private void readNote(XmlTree note, int tick, int ticks) {
        if (!isOurs(note) || note.has("cue") || ticks <= 0) {
            return;
        }
        boolean tied = note.all("tie")
                .anyMatch(tie -> tie.attribute("type").filter("start"::equals).isPresent());
        Optional<Pitch> pitch = note.child("pitch").flatMap(this::readPitch);
        draft.tune.add(new TuneNote(pitch, tick, ticks, tied && pitch.isPresent()));
        note.all("notations")
                .filter(marks -> marks.has("fermata"))
                .findFirst()
                .ifPresent(mark -> draft.holds.add(tick));
        note.all("lyric").forEach(this::readLyric);
    }

    /** Of notes struck together the highest is the melody. */
    private void readChordNote(XmlTree note, double start) {
        int last = draft.tune.size() - 1;
        Optional<Pitch> pitch = note.child("pitch").flatMap(this::readPitch);
        if (last >= 0
                && isOurs(note)
                && pitch.isPresent()
                && draft.tune.get(last).tick() == ticks(start)) {
            TuneNote before = draft.tune.get(last);
            if (before.pitch()
                    .filter(other -> other.midi() >= pitch.get().midi())
                    .isEmpty()) {
                draft.tune.set(last, new TuneNote(pitch, before.tick(), before.ticks(), before.tied()));
            }
        }
    }

    private Optional<Pitch> readPitch(XmlTree element) {
        Optional<Letter> letter =
                element.text("step").filter(step -> step.matches("[A-G]")).map(Letter::valueOf);
        double alter = element.number("alter").orElse(0.0);
        Optional<Double> octave = element.number("octave").filter(found -> found >= 0 && found <= 9);
        Optional<Pitch> pitch = letter.isEmpty() || octave.isEmpty() || Math.abs(alter) > 2 || alter != Math.rint(alter)
                ? Optional.empty()
                : Optional.of(Pitch.of(
                                PitchClass.of(letter.get(), (int) alter),
                                octave.get().intValue()))
                        .filter(key -> key.midi() >= Pitch.LOWEST_KEY && key.midi() <= Pitch.HIGHEST_KEY);
        if (pitch.isEmpty()) {
            warn(
                    "pitch-unread",
                    element,
                    element.text("step").orElse("")
                            + element.text("alter").orElse("")
                            + element.text("octave").orElse(""),
                    "a key of the piano");
        }
        return pitch;
    }

    private void readLyric(XmlTree lyric) {
        int verse = lyric.attribute("number")
                        .flatMap(XmlTree::numeric)
                        .map(Double::intValue)
                        .filter(found -> found >= 1 && found <= 9)
                        .orElse(1)
                - 1;
        String text = lyric.text("text").orElse("");
        boolean goesOn = lyric.text("syllabic")
                .filter(syllabic -> syllabic.equals("begin") || syllabic.equals("middle"))
                .isPresent();
        while (draft.words.size() <= verse) {
            draft.words.add("");
        }
        draft.words.set(verse, draft.words.get(verse) + text + (goesOn ? "" : " "));
    }

    private void readHarmony(XmlTree harmony, int at) {
        int tick = at + harmony.number("offset").map(this::ticks).orElse(0);
        if (harmony.all("root").count() > 1) {
            warn("chord-stacked", harmony, "", "one chord at a time; the first is read");
        }
        String kind = harmony.text("kind").orElse("");
        if (kind.equals("none")) {
            draft.chords.put(Math.max(0, tick), Optional.empty());
            return;
        }
        Optional<ChordSymbol> chord = XmlHarmony.chord(harmony, kind);
        if (chord.isEmpty()) {
            warn(
                    "chord-unknown",
                    harmony,
                    harmony.text("function").orElse(kind),
                    "a root and a kind of chord a pianist knows");
            return;
        }
        draft.chords.put(Math.max(0, tick), chord);
    }

    private void readDirection(XmlTree direction, int at) {
        int tick = Math.max(0, at + direction.number("offset").map(this::ticks).orElse(0));
        Optional<Double> tempo = direction
                .child("sound")
                .flatMap(sound -> sound.attribute("tempo"))
                .flatMap(XmlTree::numeric)
                .or(() -> direction
                        .all("direction-type")
                        .flatMap(type -> type.all("metronome"))
                        .findFirst()
                        .flatMap(MusicXmlReader::metronome));
        tempo.filter(quarters -> quarters >= 5 && quarters <= 1000).ifPresent(quarters -> {
            if (song.quarters.isEmpty() && song.bars() == 0) {
                song.quarters = Optional.of(quarters);
            } else {
                draft.quarters = Optional.of(quarters);
            }
        });
        for (XmlTree type : direction.all("direction-type").toList()) {
            for (XmlTree each : type.children) {
                switch (each.name) {
                    case "rehearsal" -> song.section(each.text());
                    case "words" -> readWords(each.text(), tick, tempo.isPresent());
                    case "metronome", "dynamics", "wedge", "pedal", "bracket", "dashes", "octave-shift" -> {
                        // Read above, or of no use to a lead sheet.
                    }
                    case "segno", "coda" ->
                        warn(
                                "jump-unread",
                                each,
                                "<" + each.name + ">",
                                "repeats and endings; write the order as a form");
                    default -> warn("element-unread", each, "<" + each.name + ">", "words, tempo and rehearsal marks");
                }
            }
        }
    }

    private void readWords(String words, int tick, boolean withTempo) {
        String plain = words.toLowerCase(Locale.ROOT).strip();
        Optional<Feel> feel = Feel.named(plain);
        if (feel.isPresent() && song.bars() == 0) {
            song.feel = feel.get();
        } else if (plain.equals("fermata")) {
            draft.holds.add(tick);
        } else if (plain.equals("vamp")) {
            draft.closes = Optional.of(Repeat.VAMP);
        } else if (!plain.isEmpty() && !(withTempo && feel.isPresent())) {
            draft.pin(words);
        }
    }

    private static Optional<Double> metronome(XmlTree metronome) {
        int unit = BEAT_UNITS.getOrDefault(metronome.text("beat-unit").orElse("quarter"), 960);
        int beat = metronome.has("beat-unit-dot") ? unit * 3 / 2 : unit;
        return metronome.text("per-minute").flatMap(XmlTree::numeric).map(bpm -> bpm * beat / 960);
    }

    private void readBarline(XmlTree barline) {
        barline.child("ending").ifPresent(ending -> {
            String type = ending.attribute("type").orElse("start");
            if (type.equals("start")) {
                List<Integer> rounds =
                        ending.attribute("number").map(Repeat::rounds).orElse(List.of(1));
                endings = rounds;
                draft.endings = rounds;
            } else {
                endings = List.of();
            }
        });
        barline.child("repeat").ifPresent(repeat -> {
            if (repeat.attribute("direction").filter("forward"::equals).isPresent()) {
                draft.opens = true;
            } else if (draft.closes.isEmpty()) {
                int times = repeat.attribute("times")
                        .flatMap(XmlTree::numeric)
                        .map(Double::intValue)
                        .filter(found -> found >= 2 && found <= Repeat.MOST)
                        .orElse(2);
                draft.closes = Optional.of(Repeat.of(times));
            }
        });
    }
}
