package yellowrail.app.pictures;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;

/**
 * The sockets as they stand on the chassis: hollow when unmeasured, filled by per cent of the rating. Positions are in
 * the units of the picture's own box.
 */
public record SocketMap(int width, int height, List<Place> places, String view) {
    private static final int STEP = 104;
    private static final int RADIUS = 36;

    /**
     * One socket.
     *
     * @param fill path of the filled part, or empty when unmeasured
     * @param percent what is written in it
     */
    public record Place(
            String name, int x, int y, String fill, String tone, String percent, String under, String label) {}

    /** @param fromBelow whether the chassis lies upside down, as at the bench; the other view is its mirror */
    public static SocketMap of(AmpDescription amp, Optional<RoundAnswer> answer, boolean fromBelow) {
        List<Place> places = new ArrayList<>();
        int rows = (int) amp.sockets().stream().map(Socket::channel).distinct().count();
        int columns = 0;
        for (int channel = 1; channel <= 2; channel++) {
            int wanted = channel;
            List<Socket> row = amp.sockets().stream()
                    .filter(s -> s.channel() == wanted)
                    .sorted(Comparator.comparing(Socket::side))
                    .toList();
            columns = Math.max(columns, row.size());
        }
        int width = columns * STEP + 8;
        int line = 0;
        for (int channel = 1; channel <= 2; channel++) {
            int wanted = channel;
            List<Socket> row = amp.sockets().stream()
                    .filter(s -> s.channel() == wanted)
                    .sorted(Comparator.comparing(Socket::side))
                    .toList();
            for (int i = 0; i < row.size(); i++) {
                int x = 4 + STEP / 2 + i * STEP;
                places.add(place(row.get(i), fromBelow ? x : width - x, 44 + line * 124, answer));
            }
            line += row.isEmpty() ? 0 : 1;
        }
        return new SocketMap(width, rows * 124, places, fromBelow ? "seen from below" : "seen from above");
    }

    private static Place place(Socket socket, int x, int y, Optional<RoundAnswer> answer) {
        Optional<SocketAnswer> found = answer.flatMap(a -> a.sockets().stream()
                .filter(s -> s.socket().name().equals(socket.name()))
                .findFirst());
        Optional<Estimate> share =
                found.filter(SocketAnswer::measured).map(SocketAnswer::answer).flatMap(IdleAnswer::share);
        String tone = found.filter(SocketAnswer::measured)
                .map(s -> WattStrip.Tone.of(s.answer().verdict()).css())
                .orElse("unknown");
        String mean = found.filter(s ->
                        s.measured() && !s.seenAlone() && s.answer().share().isPresent())
                .map(s -> " mean")
                .orElse("");
        String percent = share.map(s -> Math.round(100 * s.value()) + " %").orElse("");
        String label = socket.name() + ", " + socket.tubeType() + ": "
                + share.map(s -> Show.plusMinus(100 * s.value(), 100 * s.likely()) + " %" + mean)
                        .orElse("not measured");
        return new Place(
                socket.name(),
                x,
                y,
                share.map(s -> segment(x, y, s.value())).orElse(""),
                tone,
                percent,
                socket.tubeType() + mean,
                label);
    }

    /** The part of a circle below a level: a full circle at 120 % of the rating, as on the watt strip. */
    private static String segment(int x, int y, double share) {
        double level = Math.max(0.001, Math.min(0.999, share / 1.2));
        double top = y + RADIUS - 2 * RADIUS * level;
        double half = Math.sqrt(Math.max(0, RADIUS * RADIUS - (top - y) * (top - y)));
        return String.format(
                Locale.ROOT,
                "M %.1f %.1f A %d %d 0 %d 0 %.1f %.1f Z",
                x - half,
                top,
                RADIUS,
                RADIUS,
                level > 0.5 ? 1 : 0,
                x + half,
                top);
    }
}
