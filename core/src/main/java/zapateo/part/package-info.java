/** What one hand does and when: the form in which every result leaves the rooms before it. */
package zapateo.part;
