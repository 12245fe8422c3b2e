package zapateo.song;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import zapateo.harmony.Key;

/** How a line under a row of bars has the melody. */
enum TuneNotation {
    /** ABC: the key's signature counts. */
    MELODY {
        @Override
        List<TuneNote> read(Word cell, WrittenBar bar, Key signature, List<Problem> problems) {
            return MelodyReader.read(cell, bar, signature, problems);
        }

        @Override
        String write(List<TuneNote> notes, Key signature) {
            return AbcLine.write(notes, signature);
        }
    },
    /** Each note by its name and octave. */
    TUNE {
        @Override
        List<TuneNote> read(Word cell, WrittenBar bar, Key signature, List<Problem> problems) {
            return TuneReader.read(cell, bar.ticks(), problems);
        }

        @Override
        String write(List<TuneNote> notes, Key signature) {
            return TuneReader.write(notes);
        }
    };

    abstract List<TuneNote> read(Word cell, WrittenBar bar, Key signature, List<Problem> problems);

    abstract String write(List<TuneNote> notes, Key signature);

    /** What stands before the colon. */
    String label() {
        return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
    }

    static TuneNotation named(String label) {
        return Arrays.stream(values())
                .filter(each -> each.name().equalsIgnoreCase(label))
                .findFirst()
                .orElseThrow();
    }
}
