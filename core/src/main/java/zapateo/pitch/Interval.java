package zapateo.pitch;

import zapateo.refusal.Refused;

/**
 * A spelled distance upward: a number of letters and a number of semitones. Written as a chord degree, {@code 5} is a
 * perfect fifth, {@code b3} a minor third, {@code #5} an augmented fifth, {@code bb7} a diminished seventh.
 *
 * @param steps letters upward, 0 for a unison
 * @param semitones keys upward
 */
public record Interval(int steps, int semitones) {

    private static final int[] MAJOR_SCALE = {0, 2, 4, 5, 7, 9, 11};

    public static Interval of(int steps, int semitones) {
        return new Interval(steps, semitones);
    }

    /**
     * Reads a degree such as {@code 1}, {@code b3}, {@code #11} or {@code bb7}, measured against the major scale.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static Interval parse(String degree) {
        int digits = 0;
        int alteration = 0;
        while (digits < degree.length() && "#b".indexOf(degree.charAt(digits)) >= 0) {
            alteration += degree.charAt(digits++) == '#' ? 1 : -1;
        }
        String number = degree.substring(digits);
        if (!number.matches("[1-9][0-9]?")) {
            throw new Refused("degree \"" + degree + "\": expected a number from 1, with # or b before it");
        }
        int steps = Integer.parseInt(number) - 1;
        return of(steps, MAJOR_SCALE[steps % 7] + 12 * (steps / 7) + alteration);
    }

    /** The degree's number, 1 for a unison, 10 for a tenth. */
    public int number() {
        return steps + 1;
    }

    /** The same tone {@code octaves} higher. */
    public Interval up(int octaves) {
        return of(steps + 7 * octaves, semitones + 12 * octaves);
    }
}
