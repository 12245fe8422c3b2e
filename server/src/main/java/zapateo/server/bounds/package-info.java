/**
 * How large and how long what a request holds may be: constraints (Jakarta Validation) by what a value is, and the same
 * bounds for the OpenAPI document.
 */
package zapateo.server.bounds;
