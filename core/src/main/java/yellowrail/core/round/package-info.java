/** A round of readings over all sockets of an amp: what each tube does, the balance of the sides, cross-checks. */
package yellowrail.core.round;
