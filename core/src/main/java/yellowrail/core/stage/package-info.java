/**
 * An output stage computed: idle, a driven cycle, power, harmonics and heat, from the tube model and what surrounds it.
 * Voltages V, currents A, resistances Ω.
 */
package yellowrail.core.stage;
