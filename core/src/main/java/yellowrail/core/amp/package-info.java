/** An output stage as its builder describes it: topology, bias, sockets, sense groups, and how current is sensed. */
package yellowrail.core.amp;
