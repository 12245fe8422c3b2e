/** Chords, keys and degrees: what a progression is made of. */
package zapateo.harmony;
