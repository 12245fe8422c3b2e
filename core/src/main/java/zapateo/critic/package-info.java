/**
 * A strict reader: what it would mark in an arrangement, bar by bar, knowing what is played and what was asked for, and
 * nothing of how it came about.
 */
package zapateo.critic;
