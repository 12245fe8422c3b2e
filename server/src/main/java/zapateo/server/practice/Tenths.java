package zapateo.server.practice;

/** Measures as they are told: to a tenth. */
final class Tenths {

    private Tenths() {}

    static double of(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
