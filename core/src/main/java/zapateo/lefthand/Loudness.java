package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.YamlFields;

/**
 * How loud the strokes of a style are; the rows of {@code loudness.yaml}.
 *
 * @param families of figures it is for
 * @param bass the lowest tone of a stroke that has it
 * @param over what is struck with it
 * @param chord everything else
 * @param beats added on the beats in turn
 * @param off added between them
 */
record Loudness(List<String> families, int bass, int over, int chord, List<Integer> beats, int off) {

    private static final int ACCENT = 12;
    /** A skip between the beats of a walking line is a quiet pick-up. */
    private static final int GHOST = -14;
    /** The last chord is softer. */
    private static final int LAST = -8;
    /** An inner or upper tone of a chord against its lowest. */
    private static final int INNER = -3;

    private static final List<Loudness> ALL = readAll();

    static Loudness of(String family) {
        return ALL.stream()
                .filter(each -> each.families.contains(family))
                .findFirst()
                .orElse(ALL.get(0));
    }

    /** The notes of a stroke as loud as they are struck, low to high. */
    List<PartNote> on(Planned stroke, Cut cut, List<PartNote> notes, Phrasing phrasing) {
        Meter meter = cut.bar().meter();
        int at = stroke.tick() - cut.bar().tick();
        boolean beat = Math.floorMod(at, meter.beatTicks()) == 0;
        int place = beat
                ? beats.isEmpty() ? 0 : beats.get(Math.floorMod(at / meter.beatTicks(), beats.size()))
                : off + (stroke.roles().contains(Role.WALK) ? GHOST : 0);
        int more = place
                + (stroke.accent() ? ACCENT : 0)
                + (stroke.origin() == Origin.ENDING ? LAST : phrasing.at(cut.bar()));
        boolean hasBass = stroke.mark() == Mark.HEEL && stroke.hand() == Side.LEFT;
        List<PartNote> struck = new ArrayList<>(notes.size());
        for (PartNote note : notes) {
            boolean lowest = note == notes.get(0);
            struck.add(note.struck((hasBass ? lowest ? bass : over : lowest ? chord : chord + INNER) + more));
        }
        return struck;
    }

    private static List<Loudness> readAll() {
        YamlFields file = DataFile.yaml("lefthand/loudness.yaml");
        return file.names().stream()
                .map(name -> {
                    YamlFields fields = file.fields(name);
                    return new Loudness(
                            fields.has("families") ? fields.list("families", family -> family) : List.of(),
                            fields.value("bass", Integer::valueOf),
                            fields.value("over", Integer::valueOf),
                            fields.value("chord", Integer::valueOf),
                            fields.has("beats") ? fields.list("beats", Integer::valueOf) : List.of(),
                            fields.has("off") ? fields.value("off", Integer::valueOf) : 0);
                })
                .toList();
    }
}
