package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Socket;

/**
 * A bias control an amp has.
 *
 * @param name what it is called, unique in the amp
 * @param sockets the sockets it moves, all together; for a balance control those it moves apart
 * @param balance whether it moves one side hotter and the other colder
 */
public record Control(String name, List<String> sockets, boolean balance) {
    public Control {
        sockets = List.copyOf(sockets);
    }

    /** Which turn makes the current larger. */
    public enum Direction {
        CW_HOTTER("clockwise is hotter"),
        CCW_HOTTER("counter-clockwise is hotter"),
        UNKNOWN("direction not known");

        private final String words;

        Direction(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Which way to turn to get hotter or colder, in words; empty when not known. */
        public String turn(boolean hotter) {
            if (this == UNKNOWN) {
                return "";
            }
            return (this == CW_HOTTER) == hotter ? "clockwise" : "counter-clockwise";
        }
    }

    /** The controls of an amp; none where the idle is set by a cathode resistor or fixed parts. */
    public static List<Control> of(AmpDescription amp) {
        List<Control> controls = new ArrayList<>();
        List<Integer> channels =
                amp.sockets().stream().map(Socket::channel).distinct().sorted().toList();
        ControlLayout layout = amp.bias().controls();
        if (layout == ControlLayout.PER_TUBE) {
            amp.sockets().forEach(s -> controls.add(new Control(s.name() + " control", List.of(s.name()), false)));
        }
        for (int channel : channels) {
            String of = channels.size() > 1 ? " of channel " + channel : "";
            if (layout == ControlLayout.LEVEL || layout == ControlLayout.LEVEL_AND_BALANCE) {
                controls.add(new Control("level control" + of, names(amp, channel, null), false));
            }
            if (layout == ControlLayout.PER_SIDE) {
                for (Socket.Side side : Socket.Side.values()) {
                    List<String> names = names(amp, channel, side);
                    if (!names.isEmpty()) {
                        controls.add(new Control("side " + side + " control" + of, names, false));
                    }
                }
            }
            if (layout == ControlLayout.BALANCE || layout == ControlLayout.LEVEL_AND_BALANCE) {
                controls.add(new Control("balance control" + of, names(amp, channel, null), true));
            }
        }
        return controls;
    }

    private static List<String> names(AmpDescription amp, int channel, Socket.Side side) {
        return amp.sockets().stream()
                .filter(s -> s.channel() == channel && (side == null || s.side() == side))
                .map(Socket::name)
                .toList();
    }
}
