package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.SoakReading.MainsReading;
import yellowrail.core.soak.Stability;

/**
 * A current at a test point against the one it was left at, carried to the mains of then. Without plate volts it tells no
 * watts; it tells whether anything moved.
 *
 * @param point the sense point
 */
public record Agreement(String point, Kind kind, String sentence) {
    /** Currents agree within this share. */
    public static final double WITHIN = 0.03;

    /** Whether it agrees. */
    public enum Kind {
        AGREES("agrees with last time"),
        DIFFERS("does not agree with last time"),
        TOO_CLOSE("too close to call"),
        NOT_KNOWN("not known");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Each sense point of a session. */
    public static List<Agreement> all(Session session) {
        List<Agreement> all = new ArrayList<>();
        for (SenseGroup group : session.plan().amp().groups()) {
            all.add(of(session, group.name()));
        }
        return all;
    }

    private static Agreement of(Session session, String point) {
        Optional<Memory.WasRead> was =
                Optional.ofNullable(session.plan().setup().memory().currents().get(point));
        Optional<RecordedReading> read = session.last(Quantity.CURRENT, point)
                .filter(r -> r.context().stretch() == session.context().stretch()
                        || r.context().setting() == session.context().setting());
        Optional<Double> now = read.flatMap(r -> Curves.amperes(session, r));
        if (now.isEmpty()) {
            return unknown(point, "not read.");
        }
        String reads = Show.si(now.get(), Unit.AMPERE, 3);
        if (read.get().minutesOn() < Stability.WARM_MINUTES - 0.25) {
            return unknown(point, reads + " before the amp was warm: read it again from 10 min after power on.");
        }
        if (was.isEmpty()) {
            return unknown(point, reads + "; no earlier setting of this amp to compare it with.");
        }
        Optional<Double> mains = Position.mains(session, read.get())
                .filter(m -> Math.abs(m.at() - read.get().at()) <= RoundAssembler.MAINS_MILLIS)
                .map(MainsReading::volts);
        if (mains.isEmpty() || was.get().mains().isEmpty()) {
            return unknown(
                    point,
                    reads + "; the mains was not read " + (mains.isEmpty() ? "now" : "then")
                            + ", so it cannot be compared with "
                            + Show.si(was.get().amperes(), Unit.AMPERE, 3) + ".");
        }
        return compared(
                session,
                point,
                now.get(),
                exactness(session, read.get()).apart(was.get().exactness()),
                mains.get(),
                was.get());
    }

    /** How exactly a current was read, with the last digit of the mains beside it. */
    static Memory.Exactness exactness(Session session, RecordedReading read) {
        double current = Math.abs(read.typed().value());
        double mains = Position.mainsBeside(session, read)
                .map(m -> m.typed().lastDigit() / m.typed().value())
                .orElse(0.0);
        return new Memory.Exactness(
                session.plan().meter().name(),
                session.plan().meter().limit(read.typed()) / current,
                Math.hypot(
                        read.typed().lastDigit() / 2 / current,
                        mains / 2 * Position.usualExponent(session).mid()));
    }

    private static Agreement unknown(String point, String what) {
        return new Agreement(point, Kind.NOT_KNOWN, point + ": " + what);
    }

    private static Agreement compared(
            Session session, String point, double now, double error, double mains, Memory.WasRead was) {
        double ratio = mains / was.mains().orElseThrow();
        Band exponent = was.share()
                .map(share -> Position.exponentAt(session, share))
                .orElseGet(() -> Position.usualExponent(session));
        double one = now / Math.pow(ratio, exponent.low()) / was.amperes();
        double other = now / Math.pow(ratio, exponent.high()) / was.amperes();
        double low = Math.min(one, other) * (1 - error);
        double high = Math.max(one, other) * (1 + error);
        boolean lowIn = Math.abs(low - 1) <= WITHIN + 1e-9;
        boolean highIn = Math.abs(high - 1) <= WITHIN + 1e-9;
        Kind kind = lowIn && highIn
                ? Kind.AGREES
                : lowIn || highIn || (low - 1) * (high - 1) < 0 ? Kind.TOO_CLOSE : Kind.DIFFERS;
        double carried = now / Math.pow(ratio, exponent.mid());
        String at = Show.si(was.mains().orElseThrow(), Unit.VOLT, 3);
        return new Agreement(
                point,
                kind,
                point + ": " + Show.si(now, Unit.AMPERE, 3) + " at " + Show.si(mains, Unit.VOLT, 3) + ", about "
                        + Show.si(carried, Unit.AMPERE, 3) + " at " + at + "; it was left at "
                        + Show.si(was.amperes(), Unit.AMPERE, 3) + ": "
                        + switch (kind) {
                            case AGREES -> "agrees within 3 %.";
                            case DIFFERS ->
                                Show.significant(100 * Math.abs(carried / was.amperes() - 1), 2)
                                        + " % off, more than 3 %.";
                            case TOO_CLOSE -> "too close to call, as far as the meter and the mains tell.";
                            case NOT_KNOWN -> throw new IllegalStateException();
                        });
    }
}
