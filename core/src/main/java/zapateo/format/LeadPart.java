package zapateo.format;

/**
 * Which part of a score is its lead sheet, found in a first look that holds nothing: the chords may stand in another
 * part than the first, then that one is.
 */
final class LeadPart implements XmlTree.Keeping {

    private int parts;
    private int withChords = -1;

    private LeadPart() {}

    /** Its place from 0; the first where none has chords. */
    static int of(byte[] score) throws XmlTree.Unread {
        LeadPart lead = new LeadPart();
        XmlTree.read(score, lead);
        return Math.max(0, lead.withChords);
    }

    @Override
    public boolean keeps(XmlTree parent, XmlTree whole) {
        if (whole.name.equals("harmony") && withChords < 0) {
            withChords = parts;
        } else if (whole.name.equals(MusicXmlReader.PART)) {
            parts++;
        }
        return false;
    }
}
