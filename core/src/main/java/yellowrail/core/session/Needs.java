package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/** What is locked, and what a stop still wants, at one time. */
final class Needs {
    /** Capacitors recover part of their charge: the second reading comes this much later. */
    static final long SECOND_READING_MILLIS = 60_000;

    private final Session session;
    private final long now;

    Needs(Session session, long now) {
        this.session = session;
        this.now = now;
    }

    Locks locks() {
        List<String> why = new ArrayList<>();
        if (session.power(now) != Power.OFF) {
            why.add("The amp is "
                    + (session.power(now) == Power.UNDECLARED
                            ? "not declared off"
                            : session.power(now).words())
                    + ": switch off at the mains switch, unplug, and declare it.");
        }
        for (Stop stop : List.of(Stop.BEFORE_POWER, Stop.DRAINED)) {
            Mark mark = session.marks().get(stop);
            if (mark != null && !mark.done()) {
                why.add(stop.words() + " was skipped, and a skipped stop opens nothing: do it first.");
            }
        }
        preflight().stream().limit(1).forEach(why::add);
        boolean hands = why.isEmpty();
        boolean ohms = hands;
        if (hands) {
            for (SupplyNode node : session.nodes()) {
                List<Taken> read = session.residuals(node.name());
                if (read.isEmpty()) {
                    hands = false;
                    why.add(node.name() + ": residual volts not read yet.");
                    continue;
                }
                double volts = Math.abs(read.get(read.size() - 1).typed().value());
                if (volts > session.plan().handsVolts()) {
                    hands = false;
                    why.add(node.name() + " holds "
                            + read.get(read.size() - 1).typed().echo() + ": hands go in at "
                            + Show.si(session.plan().handsVolts(), Unit.VOLT, 2) + " or less. Drain it again.");
                } else if (volts > Plan.OHMS_VOLTS) {
                    ohms = false;
                    why.add(node.name() + " holds "
                            + read.get(read.size() - 1).typed().echo() + ": ohms are measured at 1 V or less.");
                }
            }
        }
        ohms = ohms && hands;
        boolean cool = session.ticked(Check.TUBES_COOL, "");
        if (hands && !cool) {
            why.add("The tubes are not confirmed cool since power was last on.");
        }
        return new Locks(hands, hands && cool, ohms, why);
    }

    /** What the pre-flight still wants; cool tubes are asked for where tubes are moved. */
    private List<String> preflight() {
        List<String> missing = new ArrayList<>();
        for (Check check : Check.values()) {
            boolean asked = check.stop() == Stop.BEFORE_POWER
                    && check != Check.TUBES_COOL
                    && !(check == Check.QUIRKS && session.plan().amp().quirks().isBlank());
            if (asked && !session.ticked(check, "")) {
                missing.add("Not confirmed yet: " + check.words());
            }
        }
        if (session.last(Quantity.LOAD_OHMS, "").isEmpty()) {
            missing.add("The load's ohms are not given.");
        }
        return missing;
    }

    List<String> missing(Stop stop) {
        List<String> missing = new ArrayList<>();
        switch (stop) {
            case BEFORE_POWER -> {
                missing.addAll(preflight());
                if (session.power(now) == Power.UNDECLARED) {
                    missing.add(0, "Declare the amp off and unplugged.");
                }
                if (!session.power(now).on()) {
                    require(missing, Check.TUBES_COOL);
                }
            }
            case DRAINED -> {
                residuals(missing);
                require(missing, Check.METER_PROVEN);
                require(missing, Check.STANDBY_PLAY);
            }
            case TUBES_OUT -> tubesOut(missing);
            case TUBES_IN -> {
                if (session.power(now) == Power.ON_TUBES_OUT) {
                    missing.add("Declare the amp off and drain it: the tubes go in then.");
                }
                require(missing, Check.KEYS);
                for (String socket : session.sockets()) {
                    if (!session.ticked(Check.GLOWS, socket)) {
                        missing.add("Heater of " + socket + ": seen to glow?");
                    }
                }
                eachPoint(missing, "first current", session.context().run());
            }
            case MAINS -> {
                if (session.holding().stream()
                        .noneMatch(r ->
                                r.quantity() == Quantity.MAINS && r.context().run() > 0)) {
                    missing.add("Mains volts not read.");
                }
                if (session.last(Quantity.HEATER, "").isEmpty()) {
                    missing.add("Heater volts under load not read.");
                }
            }
            case WARM_UP -> {
                if (session.power(now) != Power.ON_TUBES_IN) {
                    missing.add("The amp is not declared on with the tubes in.");
                } else {
                    Curves.of(session).warmth(now).stream()
                            .filter(s -> !s.stable())
                            .forEach(s -> missing.add(s.sentence()));
                }
            }
            case MEASURE -> {
                eachPoint(missing, "current in this setting", -1);
                if (session.holding().stream()
                        .noneMatch(r -> r.quantity() == Quantity.PLATE
                                && r.context().stretch() == session.context().stretch())) {
                    missing.add("Plate volts not read in this setting.");
                }
            }
            case SOAK -> Curves.of(session).soakMissing(missing);
            case PLAY -> {
                require(missing, Check.GLOW_IDLE);
                require(missing, Check.GLOW_LOUD);
            }
            case CLOSE -> {
                if (session.power(now) != Power.OFF) {
                    missing.add("Declare the amp off and unplugged.");
                }
                residuals(missing);
                require(missing, Check.METER_PROVEN);
                require(missing, Check.RESTORED);
                require(missing, Check.LIMITER_OUT);
                require(missing, Check.CLAMPS);
            }
            case SIGN_OFF -> {
                if (session.signed().isEmpty()) {
                    missing.add("Not signed.");
                }
            }
        }
        return missing;
    }

    private void require(List<String> missing, Check check) {
        if (!session.ticked(check, "")) {
            missing.add("Not confirmed yet: " + check.words());
        }
    }

    private void residuals(List<String> missing) {
        if (session.power(now) != Power.OFF) {
            missing.add("Declare the amp off and unplugged.");
            return;
        }
        for (SupplyNode node : session.nodes()) {
            List<Taken> read = session.residuals(node.name());
            if (read.isEmpty()) {
                missing.add(node.name() + ": residual volts not read yet.");
                continue;
            }
            Taken last = read.get(read.size() - 1);
            if (Math.abs(last.typed().value()) > session.plan().handsVolts()) {
                missing.add(node.name() + " holds " + last.typed().echo() + ": drain it again.");
            } else if (last.at() - read.get(0).at() < SECOND_READING_MILLIS) {
                missing.add(node.name()
                        + ": read a second time 60 s after the first; capacitors recover part of their charge.");
            }
        }
    }

    private void tubesOut(List<String> missing) {
        if (session.holding().stream().noneMatch(r -> r.quantity() == Quantity.UNLOADED)) {
            missing.add("Unloaded B+ not read.");
        }
        for (Control control : session.controls()) {
            if (!control.balance()
                    && session.last(Quantity.GRID_COLDEST, control.name()).isEmpty()) {
                missing.add(control.name() + ": grid volts at the coldest end not read.");
            }
            if (!session.directions().containsKey(control.name())) {
                missing.add(control.name() + ": which turn is hotter, or not known?");
            }
        }
        if (!session.controls().isEmpty()) {
            require(missing, Check.COLDEST);
            require(missing, Check.FAIL_COLD);
        }
    }

    /** Every sense point read in this run, or, with run below zero, in the present stretch. */
    private void eachPoint(List<String> missing, String what, int run) {
        for (SenseGroup group : session.plan().amp().groups()) {
            boolean read = session.last(Quantity.CURRENT, group.name())
                    .filter(r -> run >= 0
                            ? r.context().run() == run && run > 0
                            : r.context().stretch() == session.context().stretch())
                    .isPresent();
            if (!read) {
                missing.add(group.name() + ": " + what + " not read.");
            }
        }
    }
}
