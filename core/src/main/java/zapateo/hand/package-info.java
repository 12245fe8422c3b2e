/** The hand and the keys it lies on, in millimetres (HANDBOOK §8). Estimates, not medical advice. */
package zapateo.hand;
