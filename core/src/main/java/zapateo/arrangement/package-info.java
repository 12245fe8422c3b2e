/** The pipeline: a song, choices and a hand go in, an arrangement for two hands comes out. */
package zapateo.arrangement;
