package zapateo.song;

import zapateo.names.Names;

/** Where a section comes from: the chart, or what the form sets before and behind it. */
public enum SongPart {
    CHART,
    INTRO,
    TAG;

    public String id() {
        return Names.of(this);
    }
}
