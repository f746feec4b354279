package yellowrail.app.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.target.Target.Window;

/** Two rounds side by side; ratios are computed, never typed. */
public record Comparison(String first, String second, String mains, List<Line> lines, List<String> cautions) {
    private static final double MAINS_DIFFER = 0.01;

    /** One quantity of one socket in both rounds. */
    public record Line(String socket, String quantity, String first, String second, String ratio) {}

    public static Comparison of(Round one, Round two, List<Window> windows) {
        RoundAnswer a = one.judged(windows);
        RoundAnswer b = two.judged(windows);
        List<Line> lines = new ArrayList<>();
        for (SocketAnswer socket : b.sockets()) {
            String name = socket.socket().name();
            line(lines, name, "cathode current", a, b, IdleAnswer::cathodeAmperes, Unit.AMPERE);
            line(lines, name, "plate to cathode", a, b, IdleAnswer::plateToCathodeVolts, Unit.VOLT);
            line(lines, name, "plate dissipation", a, b, IdleAnswer::plateWatts, Unit.WATT);
        }
        for (int i = 0; i < Math.min(a.balances().size(), b.balances().size()); i++) {
            lines.add(new Line(
                    "channel " + b.balances().get(i).channel(),
                    "imbalance of the sides",
                    Show.fixed(100 * a.balances().get(i).imbalance(), 1) + " %",
                    Show.fixed(100 * b.balances().get(i).imbalance(), 1) + " %",
                    ""));
        }
        return new Comparison(
                one.takenAt().format(RoundView.WHEN),
                two.takenAt().format(RoundView.WHEN),
                one.mains() + " and " + two.mains(),
                lines,
                cautions(one, two, a, b));
    }

    private static List<String> cautions(Round one, Round two, RoundAnswer a, RoundAnswer b) {
        List<String> cautions = new ArrayList<>();
        if (b.sockets().stream().map(s -> s.socket().name()).anyMatch(s -> alone(a, s) != alone(b, s))) {
            cautions.add("One round saw a mean or nothing where the other saw each tube: no ratio is given there.");
        }
        // Each socket by the mains of its own power-on, where they were read by turns.
        OptionalDouble apart = b.sockets().stream()
                .map(s -> s.socket().name())
                .flatMap(s -> one.mainsOf(s).flatMap(m -> two.mainsOf(s).map(n -> Math.abs(m / n - 1))).stream())
                .mapToDouble(share -> share)
                .max();
        if (apart.isEmpty()) {
            cautions.add("Mains was not recorded in both rounds: a difference may come from the mains.");
        } else if (apart.getAsDouble() > MAINS_DIFFER) {
            cautions.add("Mains differs by " + Show.fixed(100 * apart.getAsDouble(), 1)
                    + " %: part of the difference comes from it.");
        }
        if (one.turns().isPresent() != two.turns().isPresent()) {
            cautions.add(
                    "One round was read by turns, each tube in a power-on of its own: what drifted between them is in"
                            + " its bands.");
        }
        if (one.amp().version() != two.amp().version()) {
            cautions.add("The amp's description changed between these rounds (version "
                    + one.amp().version() + " and " + two.amp().version() + ").");
        }
        if (!one.types().equals(two.types())) {
            cautions.add("The tube types' figures changed between these rounds; each is judged by its own.");
        }
        return cautions;
    }

    private static void line(
            List<Line> lines,
            String socket,
            String quantity,
            RoundAnswer a,
            RoundAnswer b,
            Function<IdleAnswer, Optional<Estimate>> of,
            Unit unit) {
        Optional<Estimate> first = find(a, socket).flatMap(of);
        Optional<Estimate> second = find(b, socket).flatMap(of);
        if (first.isEmpty() && second.isEmpty()) {
            return;
        }
        boolean alike = alone(a, socket) == alone(b, socket);
        String ratio =
                alike && first.isPresent() && second.isPresent() && first.get().value() > 0
                        ? "× " + Show.fixed(second.get().value() / first.get().value(), 2)
                        : "";
        lines.add(new Line(socket, quantity, text(first, unit), text(second, unit), ratio));
    }

    private static Optional<IdleAnswer> find(RoundAnswer answer, String socket) {
        return measured(answer, socket).map(SocketAnswer::answer);
    }

    /** A mean and a tube's own reading have no ratio: the difference would be no change. */
    private static boolean alone(RoundAnswer answer, String socket) {
        return measured(answer, socket).filter(SocketAnswer::seenAlone).isPresent();
    }

    private static Optional<SocketAnswer> measured(RoundAnswer answer, String socket) {
        return answer.sockets().stream()
                .filter(s -> s.socket().name().equals(socket) && s.measured())
                .findFirst();
    }

    private static String text(Optional<Estimate> value, Unit unit) {
        return value.map(v ->
                        unit == Unit.WATT ? Show.plusMinus(v.value(), v.likely()) + " W" : Show.si(v.value(), unit, 4))
                .orElse("–");
    }
}
