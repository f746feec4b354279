package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.amp.Socket;

/** Which sockets stand behind one sense point. */
enum Grouping {
    TUBE,
    SIDE,
    CHANNEL,
    ALL;

    /** The points, each named for what stands behind it. */
    Map<String, List<String>> points(List<Socket> sockets) {
        boolean stereo = sockets.stream().anyMatch(s -> s.channel() == 2);
        Map<String, List<String>> points = new LinkedHashMap<>();
        for (Socket socket : sockets) {
            String channel = stereo ? "channel " + socket.channel() : "";
            String name = switch (this) {
                case TUBE -> socket.name();
                case SIDE -> ("side " + socket.side() + " " + channel).strip();
                case CHANNEL -> stereo ? channel : "all";
                case ALL -> "all";
            };
            points.computeIfAbsent(name, n -> new ArrayList<>()).add(socket.name());
        }
        return points;
    }
}
