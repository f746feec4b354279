/** What a builder aims at: named windows of idle dissipation, a maker's figure, and the ceiling above them. */
package yellowrail.core.target;
