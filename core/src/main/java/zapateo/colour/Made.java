package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.pitch.Interval;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;

/**
 * A chord that a rule makes, as the rule's file writes it: {@code n7 °7 1/2}.
 *
 * @param root where it stands
 * @param quality what stands behind its root; empty for that of the chord it is made of
 * @param bass under it, empty for its root
 * @param share of the time there is
 */
record Made(Place root, Optional<Quality> quality, Optional<Place> bass, Share share) {

    private static final String SAME = "=";
    private static final String PLAIN = "maj";

    /** A degree above this chord's root, the next one's, or the key's tonic. */
    record Place(From from, Interval degree) {

        enum From {
            C,
            N,
            K
        }

        private static Place parse(String text) {
            From from = switch (text.charAt(0)) {
                case 'c' -> From.C;
                case 'n' -> From.N;
                case 'k' -> From.K;
                default -> throw new Refused("\"" + text + "\": expected c, n or k and a degree, as in n7");
            };
            return new Place(
                    from, Interval.parse(text.substring(1).replace('♭', 'b').replace('♯', '#')));
        }

        private Optional<PitchClass> on(ColourPlace place) {
            Optional<PitchClass> root = switch (from) {
                case C -> Optional.of(place.chord().root());
                case N -> place.next().map(ChordSymbol::root);
                case K -> Optional.of(place.key().tonic());
            };
            return root.map(each -> each.plus(degree).simple());
        }
    }

    /**
     * How much of the time.
     *
     * @param parts of {@code of}; with {@code of} 0 so many beats, with none at all an equal share of what is left
     */
    record Share(int parts, int of) {

        private static final Share REST = new Share(0, 0);

        private static Optional<Share> read(String text) {
            if (text.equals("rest")) {
                return Optional.of(REST);
            }
            if (text.matches("[1-9]/[1-9]")) {
                return Optional.of(new Share(text.charAt(0) - '0', text.charAt(2) - '0'));
            }
            return text.matches("[1-9]b") ? Optional.of(new Share(text.charAt(0) - '0', 0)) : Optional.empty();
        }
    }

    /** @throws Refused naming what was given and what was expected */
    static List<Made> all(String text) {
        List<Made> all = new ArrayList<>();
        for (String one : text.split("\\|")) {
            all.add(parse(one.strip()));
        }
        return List.copyOf(all);
    }

    private static Made parse(String text) {
        String[] words = text.split(" +");
        if (words.length < 2 || words.length > 4) {
            throw new Refused(
                    "\"" + text + "\": expected a root, a sign, and perhaps a bass and a share, as in c1 m7 /c♭7 1/2");
        }
        Optional<Quality> quality = words[1].equals(SAME) ? Optional.empty() : Optional.of(quality(words[1]));
        Optional<Place> bass = Optional.empty();
        Share share = Share.REST;
        for (int i = 2; i < words.length; i++) {
            if (words[i].startsWith("/")) {
                bass = Optional.of(Place.parse(words[i].substring(1)));
            } else {
                String word = words[i];
                share = Share.read(word)
                        .orElseThrow(() -> new Refused("\"" + word + "\": expected a share, as in 1/2, 2b or rest"));
            }
        }
        return new Made(Place.parse(words[0]), quality, bass, share);
    }

    private static Quality quality(String sign) {
        return Qualities.spelled(sign.equals(PLAIN) ? "" : sign)
                .orElseThrow(() -> new Refused("\"" + sign + "\": expected a chord's sign, as in m7"));
    }

    /** The chord at a place; empty where there is nothing to make it of. */
    Optional<ChordSymbol> on(ColourPlace place) {
        boolean itself =
                root.from() == Place.From.C && root.degree().steps() == 0 && quality.isEmpty() && bass.isEmpty();
        if (itself) {
            return Optional.of(place.chord());
        }
        Optional<ChordSymbol> made = root.on(place)
                .map(at -> read(ChordSymbol.of(at, quality.orElse(place.chord().quality())), place));
        return bass.isEmpty()
                ? made
                : made.flatMap(chord -> bass.get().on(place).map(under -> chord.over(spelled(chord, under))));
    }

    /** A dominant on C♭ or F♭ is written B7 and E7, as players write it, where the key has no such note. */
    private static ChordSymbol read(ChordSymbol chord, ColourPlace place) {
        boolean white = chord.root().alteration() < 0
                && PitchClass.simplest(chord.root().chroma()).alteration() == 0;
        return chord.quality().isDominant() && white && !place.key().holds(chord.root())
                ? chord.root(PitchClass.simplest(chord.root().chroma()))
                : chord;
    }

    /** A bass that is a tone of its chord is named as that. */
    private static PitchClass spelled(ChordSymbol chord, PitchClass bass) {
        return chord.tones().stream()
                .filter(tone -> tone.chroma() == bass.chroma())
                .map(PitchClass::simple)
                .findFirst()
                .orElse(bass);
    }
}
