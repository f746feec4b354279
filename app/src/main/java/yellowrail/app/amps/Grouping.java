package yellowrail.app.amps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.app.forms.MethodReader;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.Way;

/** Which sockets stand behind one sense point. */
public enum Grouping {
    TUBE,
    SIDE,
    CHANNEL,
    ALL;

    /**
     * What a form's words make of it: a method that reads one tube has a point for each, and a cathode resistor that tubes
     * share is one point by itself.
     *
     * @param picked what was picked
     */
    static Grouping of(AmpForm form, Grouping picked) {
        if (MethodReader.way(form.text("method")).filter(Way::several).isEmpty()) {
            return TUBE;
        }
        boolean sharesCathode = "cathode_shared".equals(form.text("controls")) && "cathode".equals(form.text("method"));
        return sharesCathode && picked == TUBE ? CHANNEL : picked;
    }

    /** The points, each named for what stands behind it. */
    public Map<String, List<String>> points(List<Socket> sockets) {
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
