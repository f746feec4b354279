package yellowrail.core.round;

/** Where a reading is taken; two points are the same when they are of one kind and one name. */
public sealed interface Point {
    /** What the builder calls it; empty for the amp. */
    String name();

    /** The amp as a whole. */
    record Amp() implements Point {
        @Override
        public String name() {
            return "";
        }
    }

    /** A socket. */
    record Socket(String name) implements Point {}

    /** A sense point: an element whose drop tells the current of the sockets behind it. */
    record SensePoint(String name) implements Point {}

    /** A node of the supply. */
    record Node(String name) implements Point {}

    /** A bias control. */
    record Control(String name) implements Point {}

    /** Kinds of points. */
    enum Place {
        AMP("the whole amp"),
        SOCKET("socket"),
        SENSE_POINT("sense point"),
        NODE("node"),
        CONTROL("control");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** The point of this kind that has this name. */
        public Point named(String name) {
            return switch (this) {
                case AMP -> new Amp();
                case SOCKET -> new Socket(name);
                case SENSE_POINT -> new SensePoint(name);
                case NODE -> new Node(name);
                case CONTROL -> new Control(name);
            };
        }
    }
}
