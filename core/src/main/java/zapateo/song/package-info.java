/**
 * A song as its chart says it: sections, bars, chords and how long each lasts; and the chart text with its mistakes.
 */
package zapateo.song;
