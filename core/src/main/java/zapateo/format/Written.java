package zapateo.format;

import java.util.List;
import java.util.stream.Stream;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Pedal;
import zapateo.arrangement.Shades;
import zapateo.part.Part;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Swing;
import zapateo.song.Song;

/**
 * An arrangement as a file has it. Files know no time below zero: where something sounds before the first bar, all of
 * it stands later by a silent beat.
 *
 * @param shades how loud its bars are against one another
 * @param bars how many bars stand before the song's own
 * @param pedalled the chords that are pedalled, where the score has them
 */
record Written(
        Song song,
        Swing swing,
        Part left,
        Part right,
        List<Pedal> pedal,
        List<TickSpan> pedalled,
        Shades shades,
        int bars) {

    static Written of(Arrangement arrangement) {
        Song song = arrangement.song();
        if (arrangement.leadInTicks() == 0) {
            return new Written(
                    song,
                    arrangement.swing(),
                    arrangement.left(),
                    arrangement.right(),
                    arrangement.pedal(),
                    arrangement.pedalled(),
                    Shades.of(song),
                    0);
        }
        LeadIn leadIn = LeadIn.to(song);
        int by = leadIn.ticks();
        int bars = leadIn.bars();
        return new Written(
                leadIn.song(),
                arrangement.swing(),
                later(arrangement.left(), bars, by),
                later(arrangement.right(), bars, by),
                arrangement.pedal().stream().map(each -> each.later(by)).toList(),
                arrangement.pedalled().stream().map(each -> each.later(by)).toList(),
                Shades.of(song).later(bars),
                bars);
    }

    private static Part later(Part part, int bars, int ticks) {
        return new Part(
                part.hand(),
                part.strokes().stream().map(stroke -> stroke.later(bars, ticks)).toList());
    }

    /** Of both hands, in the order of the arrangement. */
    List<Stroke> strokes() {
        return Stream.concat(left.strokes().stream(), right.strokes().stream())
                .sorted(Stroke.IN_TIME)
                .toList();
    }
}
