/** Simulated stand-ins for what stands on a bench: an output stage at idle and a meter to read it with. */
package yellowrail.core.standin;
