/** The one exact search that every choice among candidates goes through: octaves, inversions, fingers. */
package zapateo.search;
