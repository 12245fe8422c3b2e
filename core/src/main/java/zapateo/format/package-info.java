/** Arrangements as files: one writer for each open format. */
package zapateo.format;
