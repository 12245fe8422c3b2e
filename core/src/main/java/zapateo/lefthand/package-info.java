/** The left hand: where its basses lie, what its chords are made of, and the figure played on them. */
package zapateo.lefthand;
