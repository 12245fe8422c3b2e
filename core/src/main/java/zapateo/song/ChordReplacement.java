package zapateo.song;

import zapateo.harmony.ChordSymbol;

/** Another chord in the place of one: of a bar, counted as written from 0, and of its chords, from 0. */
public record ChordReplacement(int bar, int chord, ChordSymbol to) {}
