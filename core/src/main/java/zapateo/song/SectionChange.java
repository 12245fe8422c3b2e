package zapateo.song;

/** What can be done with a section. */
public enum SectionChange {
    COPY,
    DELETE,
    EARLIER,
    LATER
}
