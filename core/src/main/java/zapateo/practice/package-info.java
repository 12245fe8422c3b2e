/** Practising an arrangement: what is asked, how it went, what to do next. */
package zapateo.practice;
