/** Measured power and distortion under settings that differ, and what may be concluded from the difference. */
package yellowrail.core.experiment;
