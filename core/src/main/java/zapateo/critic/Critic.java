package zapateo.critic;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import zapateo.song.Song;

/** Reads a score as a strict reader does; one fault of a kind is marked once in a bar. */
public final class Critic {

    private static final Map<String, BiConsumer<Score, Marks>> ROWS = rows();

    private Critic() {}

    private static Map<String, BiConsumer<Score, Marks>> rows() {
        Map<String, BiConsumer<Score, Marks>> rows = new LinkedHashMap<>();
        rows.put("L1", BassRows::wrongBass);
        rows.put("L2", ChordRows::struckMud);
        rows.put("L3", ChordRows::lowSecond);
        rows.put("L4", ChordRows::register);
        rows.put("L5", BassRows::brokenLine);
        rows.put("L6", LineRows::wrongLeadIn);
        rows.put("L7", LineRows::wanderingWalk);
        rows.put("L8", BassRows::deadAlternation);
        rows.put("L9", ColourRows::colourLost);
        rows.put("L10", ColourRows::twoChords);
        rows.put("L11", ColourRows::lastChord);
        rows.put("L12", ColourRows::fixedTone);
        rows.put("L13", ColourRows::tension);
        rows.put("L14", ColourRows::doubled);
        rows.put("L15", StyleRows::outOfTempo);
        rows.put("L16", StyleRows::notTheStyle);
        rows.put("L17", ChordRows::topLeaps);
        rows.put("L18", HandRows::beyondTheHand);
        rows.put("L19", StyleRows::leftHanging);
        rows.put("L20", ClashRows::rubs);
        rows.put("L21", ClashRows::strangeFifth);
        rows.put("L22", ClashRows::noRoot);
        rows.put("L24", WalkRows::semitone);
        rows.put("L25", WalkRows::altered);
        rows.put("L26", WalkRows::minorWalkUp);
        rows.put("L27", PlaceRows::withoutBass);
        rows.put("L28", PlaceRows::otherMetre);
        rows.put("L29", ClashRows::doubleKey);
        rows.put("L30", PlaceRows::noEnd);
        rows.put("L31", PlaceRows::registerWanders);
        rows.put("L32", ClashRows::nobodysVoicing);
        rows.put("L33", PlaceRows::leadInRepeats);
        rows.put("R1", RightRows::underTheMelody);
        rows.put("R2", RightRows::flickers);
        rows.put("R3", RightRows::leaps);
        rows.put("R4", RightRows::lastChord);
        rows.put("R5", RightRows::contradicts);
        rows.put("R6", FillRows::fills);
        rows.put("R7", RightRows::chorus);
        rows.put("B1", HandRows::runTogether);
        rows.put("B2", TogetherRows::justLeft);
        rows.put("B3", HandRows::holeBetween);
        rows.put("B4", TogetherRows::dropped);
        rows.put("B5", HandRows::lostPartner);
        rows.put("B6", TogetherRows::minorNinth);
        rows.put("B7", TogetherRows::bothRun);
        rows.put("B8", TogetherRows::parallels);
        rows.put("B9", BassRows::underTheBassPlayer);
        rows.put("F1", HandRows::openFifth);
        rows.put("F2", HandRows::innerOctave);
        rows.put("F3", FingerRows::threeNotes);
        rows.put("F4", FingerRows::thumbUnderIndex);
        rows.put("F5", FingerRows::fingeredAnew);
        rows.put("F6", FingerRows::gap);
        rows.put("F7", HandRows::oneFinger);
        rows.put("M1", StyleRows::mechanical);
        rows.put("M2", StyleRows::restless);
        rows.put("M3", StyleRows::flat);
        rows.put("M4", HandRows::thumps);
        rows.put("M5", HandRows::blurs);
        rows.put("M6", TogetherRows::swingApart);
        return rows;
    }

    /** The ids of the rows that are read, in their order. */
    public static List<String> ids() {
        return List.copyOf(ROWS.keySet());
    }

    public static List<Fault> read(Score score) {
        Map<String, Fault> once = new LinkedHashMap<>();
        ROWS.forEach((id, row) ->
                row.accept(score, new Marks(id, fault -> once.putIfAbsent(id + "@" + fault.bar(), fault))));
        return new ArrayList<>(once.values());
    }

    /**
     * Reads chords under a melody as a church organist would.
     *
     * @param hymn whether they are to be sung in four parts
     */
    public static List<Fault> harmonisation(Song song, boolean hymn) {
        List<Fault> faults = new ArrayList<>();
        HarmonyRows.strikesOut(song, hymn, new Marks("R8", faults::add));
        return faults;
    }
}
