/** Other chords for a song, each proposed with its reason: a stage from song to song, before anything is played. */
package zapateo.colour;
