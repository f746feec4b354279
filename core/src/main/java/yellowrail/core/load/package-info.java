/** What hangs on the output transformer: its ratio from AC volts, speakers and how they are wired, the load the tubes see. */
package yellowrail.core.load;
