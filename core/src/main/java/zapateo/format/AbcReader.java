package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.song.Problem;

/**
 * Reads the first tune of an ABC 2.1 file: chords in quotes, the melody of the first voice, repeats and endings, parts,
 * changes of key, metre and tempo, words. {@link AbcMusic} reads the lines of music.
 */
final class AbcReader {

    private static final Pattern FIELD = Pattern.compile("([A-Za-z+]):(.*)");
    private static final Pattern TEMPO = Pattern.compile("((?:[0-9]+/[0-9]+\\s*)+)=\\s*([0-9]+(?:\\.[0-9]+)?)");
    private static final Pattern BARE_TEMPO = Pattern.compile("\\s*([0-9]+(?:\\.[0-9]+)?)\\s*");

    private static final int LONGEST_TEMPO = 200;

    private final List<Problem> problems = new ArrayList<>();
    private final SongBuilder song = new SongBuilder(problems);
    private final AbcMusic music = new AbcMusic(problems);
    private boolean inBody;
    private boolean titled;
    private boolean unitGiven;
    private String voice = "";
    private String firstVoice = "";

    private AbcReader() {}

    static FileReading read(String text) {
        return new AbcReader().readTune(text.split("\r\n|\r|\n", -1));
    }

    private FileReading readTune(String[] lines) {
        int at = 0;
        while (at < lines.length && !lines[at].startsWith("X:")) {
            at++;
        }
        for (; at < lines.length; at++) {
            String line = withoutComment(lines[at]);
            if (line.isBlank()) {
                if (inBody && lines[at].isBlank()) {
                    break;
                }
                continue;
            }
            if (inBody && line.startsWith("X:")) {
                break;
            }
            Matcher field = FIELD.matcher(line);
            if (field.matches() && !line.startsWith("|:")) {
                readField(
                        field.group(1).charAt(0),
                        field.group(2).strip(),
                        at + 1,
                        line.length() - field.group(2).length() + 1);
            } else if (inBody && isOurVoice()) {
                music.read(line, at + 1);
            } else if (!inBody) {
                warn("abc-header", at + 1, 1, line, "a field such as T: or K:");
            }
        }
        for (int rest = at; rest < lines.length; rest++) {
            if (lines[rest].startsWith("X:")) {
                warn("tunes-unread", rest + 1, 1, lines[rest], "one tune; bring the others in one by one");
                break;
            }
        }
        music.finish(song);
        if (music.otherVoices()) {
            warn("voices-unread", 1, 1, "", "the first voice alone");
        }
        return FileReading.of(FileFormat.ABC, song.build(), problems);
    }

    private static String withoutComment(String line) {
        if (line.startsWith("%")) {
            return "";
        }
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            if (line.charAt(i) == '"') {
                quoted = !quoted;
            } else if (line.charAt(i) == '%' && !quoted && (i == 0 || line.charAt(i - 1) != '\\')) {
                return line.substring(0, i);
            }
        }
        return line;
    }

    private void warn(String code, int line, int column, String found, String expected) {
        if (problems.size() < 100) {
            problems.add(new Problem(Problem.Severity.WARNING, code, line, column, found.length(), found, expected));
        }
    }

    private boolean isOurVoice() {
        boolean ours = voice.equals(firstVoice);
        music.otherVoice(!ours);
        return ours;
    }

    private void readField(char name, String value, int line, int column) {
        switch (name) {
            case 'X', 'I', 'U', 'm', 'r', '+' -> {
                // The tune's number, instructions and remarks.
            }
            case 'T' -> {
                if (titled) {
                    warn("abc-field", line, column, value, "one title");
                } else {
                    song.title(value);
                    titled = true;
                }
            }
            case 'M' -> readMeter(value, line, column);
            case 'L' ->
                AbcFraction.of(value)
                        .ifPresentOrElse(
                                length -> {
                                    music.unit(length * 3840);
                                    unitGiven = true;
                                },
                                () -> warn("abc-field", line, column, value, "a length such as 1/8"));
            case 'Q' -> readTempo(value, line, column);
            case 'K' -> readKey(value, line, column);
            case 'V' -> {
                voice = value.split("\\s+", 2)[0];
                firstVoice = firstVoice.isEmpty() ? voice : firstVoice;
            }
            case 'P' -> {
                if (inBody) {
                    music.part(value);
                } else {
                    warn(
                            "abc-field",
                            line,
                            column,
                            "P:" + value,
                            "parts by name in the tune; the order they are played in is not read");
                }
            }
            case 'w' -> {
                if (isOurVoice()) {
                    music.words(value);
                }
            }
            default -> warn("abc-field", line, 1, name + ":" + value, "T, M, L, Q, K, P, V and w");
        }
    }

    private void readMeter(String value, int line, int column) {
        String plain = value.equals("C") ? "4/4" : value.equals("C|") ? "2/2" : value;
        Optional<Meter> meter = Meter.read(plain);
        if (meter.isEmpty()) {
            if (!value.equals("none") && !value.isEmpty()) {
                warn("meter-unread", line, column, value, "one such as 4/4, 6/8, C or C|");
            }
            return;
        }
        if (!inBody) {
            song.meter = meter;
        }
        music.meter(meter.get());
        if (!unitGiven) {
            music.unit(meter.get().barTicks() < 2880 ? 240 : 480);
        }
    }

    private void readTempo(String value, int line, int column) {
        if (value.length() > LONGEST_TEMPO) {
            warn("tempo-unread", line, column, value, "one such as 1/4=120");
            return;
        }
        String quoted = value.replaceAll(".*?\"([^\"]*)\".*|.*", "$1").strip();
        Matcher match = TEMPO.matcher(value);
        Matcher bare = BARE_TEMPO.matcher(value);
        Optional<Double> quarters = Optional.empty();
        if (match.find()) {
            double beat = AbcFraction.WRITTEN
                    .matcher(match.group(1))
                    .results()
                    .mapToDouble(part -> Double.parseDouble(part.group(1)) / Double.parseDouble(part.group(2)))
                    .sum();
            quarters = Optional.of(Double.parseDouble(match.group(2)) * beat * 4);
        } else if (bare.matches()) {
            quarters = Optional.of(Double.parseDouble(bare.group(1)) * music.unit() / 960);
        } else if (quoted.isEmpty()) {
            warn("tempo-unread", line, column, value, "one such as 1/4=120");
        }
        Optional<Double> sane = quarters.filter(found -> found >= 5 && found <= 1000);
        if (!inBody) {
            sane.ifPresent(found -> song.quarters = Optional.of(found));
            Feel.named(quoted).ifPresentOrElse(feel -> song.feel = feel, () -> music.remark(quoted));
        } else {
            sane.ifPresent(music::tempo);
            music.remark(quoted);
        }
    }

    private void readKey(String value, int line, int column) {
        Optional<AbcKey> key = AbcKey.read(value);
        if (key.isEmpty() || !key.get().exact()) {
            warn("key-unread", line, column, value, "a major, minor, Dorian or Mixolydian key; its signature is kept");
        }
        AbcKey read = key.orElse(AbcKey.NONE);
        if (!inBody) {
            song.key = read.key();
            inBody = true;
        } else {
            music.key(read);
        }
        music.signature(read);
    }
}
