package zapateo.server.arrangements;

/** How values are told: rounded. */
final class Told {

    private Told() {}

    static double tenth(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
