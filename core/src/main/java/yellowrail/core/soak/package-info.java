/** Readings over time: warmed up or not, settling, creeping, running away; and what a swap of tubes tells. */
package yellowrail.core.soak;
