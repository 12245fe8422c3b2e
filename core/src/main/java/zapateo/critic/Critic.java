package zapateo.critic;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;

/** Reads a score as a strict reader does; one fault of a kind is marked once in a bar. */
public final class Critic {

    private static final Map<String, BiConsumer<Score, Marks>> ROWS = rows();

    private Critic() {
    }

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
        rows.put("L17", ChordRows::topLeaps);
        rows.put("L18", HandRows::beyondTheHand);
        rows.put("B1", HandRows::runTogether);
        rows.put("B3", HandRows::holeBetween);
        rows.put("B5", HandRows::lostPartner);
        rows.put("B9", BassRows::underTheBassPlayer);
        rows.put("F1", HandRows::openFifth);
        rows.put("F2", HandRows::innerOctave);
        rows.put("F7", HandRows::oneFinger);
        rows.put("M4", HandRows::thumps);
        rows.put("M5", HandRows::blurs);
        return rows;
    }

    /** The ids of the rows that are read, in their order. */
    public static List<String> ids() {
        return List.copyOf(ROWS.keySet());
    }

    public static List<Fault> read(Score score) {
        Map<String, Fault> once = new LinkedHashMap<>();
        ROWS.forEach((id, row) -> row.accept(score, new Marks(id, fault -> once.putIfAbsent(id + "@" + fault.bar(), fault))));
        return new ArrayList<>(once.values());
    }
}
