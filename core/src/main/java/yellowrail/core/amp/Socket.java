package yellowrail.core.amp;

/**
 * One output-tube socket.
 *
 * @param name as printed on the chassis, 1 to 12 characters
 * @param channel 1 or 2
 * @param side which half of the primary it drives; single-ended stages have one
 * @param tubeType the type's designation
 */
public record Socket(String name, int channel, Side side, String tubeType) {
    /** The half of the output transformer a socket drives. */
    public enum Side {
        A,
        B
    }

    public Socket {
        if (name.isBlank() || name.length() > 12) {
            throw new IllegalArgumentException("a socket's name has 1 to 12 characters, not “" + name + "”");
        }
        if (channel < 1 || channel > 2) {
            throw new IllegalArgumentException("channel " + channel + "; 1 or 2");
        }
        if (tubeType.isBlank() || tubeType.length() > 40) {
            throw new IllegalArgumentException("a tube type has 1 to 40 characters");
        }
    }
}
