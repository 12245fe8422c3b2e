/**
 * Comping, the melody with what lies under it, where the hands meet, notes to improvise on: Song + the left Part as
 * data → right-hand Part.
 */
package zapateo.righthand;
