package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Sample;
import yellowrail.core.soak.Stability;

/** The currents of a session over time, one curve for each sense point or single tube and unbroken stretch. */
public final class Curves {
    private static final SocketAdaptor ADAPTOR = new SocketAdaptor(1, 1, 0);

    /**
     * One curve.
     *
     * @param point sense point, or the socket of a single reading
     * @param sockets whose current it is; a mean when several
     * @param stretch the unbroken stretch it belongs to
     * @param taken the readings in the order of time
     * @param sinceOn samples of one tube, minutes since power on
     */
    public record Curve(
            String point,
            List<String> sockets,
            boolean single,
            int stretch,
            List<RecordedReading> taken,
            List<Sample> sinceOn) {
        public Curve {
            sockets = List.copyOf(sockets);
            taken = List.copyOf(taken);
            sinceOn = List.copyOf(sinceOn);
        }

        /** Samples from the tenth minute on: what comes before is warming up, not soaking. */
        public List<Sample> warm() {
            return sinceOn.stream().filter(s -> warm(s.minutes())).toList();
        }

        /** The readings from the tenth minute on that give a current. */
        List<RecordedReading> warmTaken() {
            return taken.stream().filter(r -> warm(r.minutesOn())).toList();
        }

        private static boolean warm(double minutes) {
            return minutes >= Stability.WARM_MINUTES - 0.25;
        }

        /** What this curve makes of one of its readings, A of one tube. */
        double amperes(RecordedReading reading) {
            return sinceOn.get(taken.indexOf(reading)).amperes();
        }

        public Drift drift() {
            return Drift.of(point, warm());
        }
    }

    private final Session session;
    private final List<Curve> all;

    private Curves(Session session, List<Curve> all) {
        this.session = session;
        this.all = all;
    }

    public static Curves of(Session session) {
        List<Curve> curves = new ArrayList<>();
        List<RecordedReading> holding = session.holding();
        for (SenseGroup group : RoundAssembler.groups(session)) {
            collect(session, holding, Quantity.CURRENT, group.name(), group.sockets(), group, curves);
            if (group.shared()) {
                for (String socket : group.sockets()) {
                    collect(session, holding, Quantity.INDIVIDUAL, socket, List.of(socket), group, curves);
                }
            }
        }
        return new Curves(session, curves);
    }

    private static void collect(
            Session session,
            List<RecordedReading> holding,
            Quantity quantity,
            String point,
            List<String> sockets,
            SenseGroup group,
            List<Curve> curves) {
        List<RecordedReading> taken =
                holding.stream().filter(r -> r.isOf(quantity, point)).toList();
        List<Integer> stretches = taken.stream()
                .map(r -> r.context().stretch())
                .distinct()
                .sorted()
                .toList();
        for (int stretch : stretches) {
            List<RecordedReading> of = taken.stream()
                    .filter(r -> r.context().stretch() == stretch)
                    .sorted(Comparator.comparingLong(RecordedReading::at))
                    .toList();
            List<RecordedReading> telling = new ArrayList<>();
            List<Sample> samples = new ArrayList<>();
            for (RecordedReading reading : of) {
                amperes(session, quantity, group, reading).ifPresent(i -> {
                    telling.add(reading);
                    samples.add(new Sample(reading.minutesOn(), i));
                });
            }
            if (!samples.isEmpty()) {
                curves.add(new Curve(point, sockets, quantity == Quantity.INDIVIDUAL, stretch, telling, samples));
            }
        }
    }

    /** What a current reading means, A of one tube, whether it holds or not; empty for other readings. */
    static Optional<Double> amperes(Session session, RecordedReading reading) {
        return RoundAssembler.groups(session).stream()
                .filter(g -> reading.quantity() == Quantity.CURRENT
                        ? g.name().equals(reading.point().name())
                        : reading.quantity() == Quantity.INDIVIDUAL
                                && g.sockets().contains(reading.point().name()))
                .findFirst()
                .flatMap(g -> amperes(session, reading.quantity(), g, reading));
    }

    private static Optional<Double> amperes(
            Session session, Quantity quantity, SenseGroup group, RecordedReading reading) {
        SensedCurrent seen = quantity == Quantity.INDIVIDUAL
                ? ADAPTOR.see(reading.typed(), session.plan().meter())
                : group.method().see(reading.typed(), session.plan().meter());
        return seen instanceof SensedCurrent.Current current
                        && current.perTube().value() > 0
                ? Optional.of(current.perTube().value())
                : Optional.empty();
    }

    public List<Curve> all() {
        return all;
    }

    /** The curves of the present stretch. */
    public List<Curve> present() {
        int stretch = session.context().stretch();
        return all.stream().filter(c -> c.stretch() == stretch).toList();
    }

    /** A sense point's curves in the power-ons of the present setting, oldest first. */
    public List<Curve> ofSetting(String point) {
        int setting = session.context().setting();
        return all.stream()
                .filter(c -> c.point().equals(point)
                        && !c.single()
                        && c.taken().get(0).context().setting() == setting)
                .sorted(Comparator.comparingInt(Curve::stretch))
                .toList();
    }

    /** The present curve that tells of one tube alone; empty when it was only seen in a mean. */
    public Optional<Curve> alone(String socket) {
        return present().stream()
                .filter(c -> c.sockets().equals(List.of(socket)))
                .max(Comparator.comparingInt(c -> c.sinceOn().size()));
    }

    /** For each sense point, whether it has stopped moving since power on. */
    public List<Stability> warmth(long now) {
        double minutes = (now - session.context().runSince()) / 60_000.0;
        List<Stability> states = new ArrayList<>();
        for (SenseGroup group : session.plan().amp().groups()) {
            List<Sample> samples = present().stream()
                    .filter(c -> c.point().equals(group.name()) && !c.single())
                    .findFirst()
                    .map(Curve::sinceOn)
                    .orElse(List.of());
            states.add(Stability.of(group.name(), samples, minutes));
        }
        return states;
    }
}
