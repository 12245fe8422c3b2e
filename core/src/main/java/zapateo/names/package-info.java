/** How values of closed lists are named in open data. Everything may know it, it knows nothing. */
package zapateo.names;
