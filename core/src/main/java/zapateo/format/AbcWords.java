package zapateo.format;

import java.util.List;

/** Words of ABC 2.1 under a line of music: syllables under the notes, put together bar by bar. */
final class AbcWords {

    private AbcWords() {}

    /** @param verse which line of words it is under these bars, from 0 */
    static void put(String text, List<SongBuilder.Draft> bars, int verse) {
        int bar = 0;
        int note = 0;
        boolean joined = false;
        for (String word : text.replace("\\-", "\u0001")
                .replace("-", "- ")
                .replace("|", " | ")
                .replace("_", " _ ")
                .replace("*", " * ")
                .split("\\s+")) {
            if (word.equals("|")) {
                bar++;
                note = 0;
                continue;
            }
            while (!word.isEmpty() && bar < bars.size() && note >= notes(bars.get(bar))) {
                bar++;
                note = 0;
            }
            if (word.isEmpty() || bar >= bars.size()) {
                continue;
            }
            note++;
            if (word.equals("*") || word.equals("_")) {
                continue;
            }
            List<String> words = bars.get(bar).words;
            while (words.size() <= verse) {
                words.add("");
            }
            boolean goesOn = word.endsWith("-") && word.length() > 1;
            String syllable = (goesOn ? word.substring(0, word.length() - 1) : word)
                    .replace('~', ' ')
                    .replace('\u0001', '-');
            String before = words.get(verse);
            words.set(verse, before.isEmpty() ? syllable : joined ? before + syllable : before + " " + syllable);
            joined = goesOn;
        }
    }

    private static int notes(SongBuilder.Draft draft) {
        return (int)
                draft.tune.stream().filter(note -> note.pitch().isPresent()).count();
    }
}
