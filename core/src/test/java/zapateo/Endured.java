package zapateo;

/** How often the tests repeat a thing: a few times, and in full under {@code ./zapateo endure}. */
public final class Endured {

    private Endured() {}

    public static int times(int few, int all) {
        return Boolean.getBoolean("zapateo.endure") ? all : few;
    }
}
