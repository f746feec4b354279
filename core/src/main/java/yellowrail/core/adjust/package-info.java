/** What to turn or fit next: supply sag from two rounds, the next turn, the cathode resistor, the balance swing. */
package yellowrail.core.adjust;
