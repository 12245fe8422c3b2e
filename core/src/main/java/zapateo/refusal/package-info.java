/** How the core says no. Everything knows it, it knows nothing. */
package zapateo.refusal;
