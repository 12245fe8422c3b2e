package zapateo.rhythm;

/** Which hand. */
public enum Side {
    LEFT("L"),
    RIGHT("R");

    private final String letter;

    Side(String letter) {
        this.letter = letter;
    }

    public String letter() {
        return letter;
    }
}
