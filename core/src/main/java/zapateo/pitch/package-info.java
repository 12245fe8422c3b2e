/** Notes as a pianist names them: letters, accidentals, octaves, and the distances between them. Knows nothing else. */
package zapateo.pitch;
