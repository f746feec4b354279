package yellowrail.core.session;

/**
 * A tube as it was put into a socket.
 *
 * @param label what stands on it; empty when it was given none
 * @param type its designation
 */
public record TubeLabel(String label, String type) {}
