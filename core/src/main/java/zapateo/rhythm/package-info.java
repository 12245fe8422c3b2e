/** Time in ticks, metres, tempo, feel, and figures: the rhythm a hand repeats, written in roles. */
package zapateo.rhythm;
