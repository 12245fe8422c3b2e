package zapateo.format;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Locale;
import java.util.Map;
import org.audiveris.proxymusic.AboveBelow;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Dynamics;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Offset;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.Swing;
import org.audiveris.proxymusic.Wedge;
import org.audiveris.proxymusic.WedgeType;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Tempo;

/** Words and signs above the staff. */
final class Directions {

    private static final ObjectFactory MAKE = new ObjectFactory();
    private static final Map<Integer, String> BEAT_UNITS =
            Map.of(240, "16th", 480, "eighth", 960, "quarter", 1440, "quarter", 1920, "half");
    private static final int DOTTED_QUARTER = 1440;

    private Directions() {}

    /** The feel in words, the metronome mark, and both for a player program. */
    static Direction tempo(Tempo tempo, Feel feel, zapateo.rhythm.Swing swung) {
        Direction direction = above();
        if (feel != Feel.STRAIGHT) {
            DirectionType words = MAKE.createDirectionType();
            FormattedTextId text = MAKE.createFormattedTextId();
            text.setValue(feel.id().substring(0, 1).toUpperCase(Locale.ROOT)
                    + feel.id().substring(1));
            words.getWordsOrSymbol().add(text);
            direction.getDirectionType().add(words);
        }
        DirectionType mark = MAKE.createDirectionType();
        Metronome metronome = MAKE.createMetronome();
        metronome.setBeatUnit(BEAT_UNITS.getOrDefault(tempo.beatTicks(), "quarter"));
        if (tempo.beatTicks() == DOTTED_QUARTER) {
            metronome.getBeatUnitDot().add(MAKE.createEmpty());
        }
        PerMinute perMinute = MAKE.createPerMinute();
        perMinute.setValue(plain(tempo.bpm()));
        metronome.setPerMinute(perMinute);
        mark.setMetronome(metronome);
        direction.getDirectionType().add(mark);
        Sound sound = MAKE.createSound();
        sound.setTempo(new BigDecimal(plain(tempo.quartersPerMinute())));
        if (swung.ratio() > 1) {
            sound.setSwing(swing(swung.ratio()));
        }
        direction.setSound(sound);
        return direction;
    }

    /** @param tick from the bar line */
    static Direction words(String words, int tick) {
        return words(above(), words, tick);
    }

    /** The same under the staff. */
    static Direction below(String words, int tick) {
        Direction direction = MAKE.createDirection();
        direction.setPlacement(AboveBelow.BELOW);
        return words(direction, words, tick);
    }

    private static Direction words(Direction direction, String words, int tick) {
        DirectionType type = MAKE.createDirectionType();
        FormattedTextId text = MAKE.createFormattedTextId();
        text.setValue(words);
        type.getWordsOrSymbol().add(text);
        direction.getDirectionType().add(type);
        if (tick > 0) {
            Offset offset = MAKE.createOffset();
            offset.setValue(BigDecimal.valueOf(tick));
            direction.setOffset(offset);
        }
        return direction;
    }

    /** @param sign one of p, mp, mf, f and ff */
    static Direction dynamics(String sign) {
        DirectionType type = MAKE.createDirectionType();
        Dynamics dynamics = MAKE.createDynamics();
        dynamics.getPOrPpOrPpp()
                .add(
                        switch (sign) {
                            case "p" -> MAKE.createDynamicsP(MAKE.createEmpty());
                            case "mp" -> MAKE.createDynamicsMp(MAKE.createEmpty());
                            case "f" -> MAKE.createDynamicsF(MAKE.createEmpty());
                            case "ff" -> MAKE.createDynamicsFf(MAKE.createEmpty());
                            default -> MAKE.createDynamicsMf(MAKE.createEmpty());
                        });
        type.getDynamics().add(dynamics);
        return below(type);
    }

    static Direction wedge(WedgeType which) {
        DirectionType type = MAKE.createDirectionType();
        Wedge wedge = MAKE.createWedge();
        wedge.setType(which);
        wedge.setNumber(1);
        type.setWedge(wedge);
        return below(type);
    }

    private static Direction below(DirectionType type) {
        Direction direction = MAKE.createDirection();
        direction.setPlacement(AboveBelow.BELOW);
        direction.getDirectionType().add(type);
        return direction;
    }

    static Direction section(String name) {
        Direction direction = above();
        DirectionType type = MAKE.createDirectionType();
        FormattedTextId text = MAKE.createFormattedTextId();
        text.setValue(name);
        type.getRehearsal().add(text);
        direction.getDirectionType().add(type);
        return direction;
    }

    private static Swing swing(double ratio) {
        BigInteger first = BigInteger.valueOf(Math.round(ratio * 10));
        BigInteger shared = first.gcd(BigInteger.TEN);
        Swing swing = MAKE.createSwing();
        swing.setFirst(first.divide(shared));
        swing.setSecond(BigInteger.TEN.divide(shared));
        swing.setSwingType("eighth");
        return swing;
    }

    private static Direction above() {
        Direction direction = MAKE.createDirection();
        direction.setPlacement(AboveBelow.ABOVE);
        return direction;
    }

    private static String plain(double number) {
        return BigDecimal.valueOf(Math.round(number * 100), 2)
                .stripTrailingZeros()
                .toPlainString();
    }
}
