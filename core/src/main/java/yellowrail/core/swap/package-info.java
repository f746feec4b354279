/** Whether other tubes may go into a stage: every limit with its margin, and the idle, heat and power it would really have. */
package yellowrail.core.swap;
