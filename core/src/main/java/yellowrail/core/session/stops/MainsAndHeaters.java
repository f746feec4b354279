package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.HeaterCheck;
import yellowrail.core.session.HeaterState;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** Mains and heater volts under load. */
public final class MainsAndHeaters extends Stop {
    MainsAndHeaters() {
        super("MAINS", "Mains and heaters");
    }

    @Override
    public boolean doneAgain() {
        return false;
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        // Heater pins are reached inside.
        boolean inside = look.session().access().handsIn();
        return List.of(ReadingGroup.of(
                "Mains and heaters",
                Readings.ofAmp(Quantity.MAINS, "Mains"),
                Readings.ofAmp(Quantity.HEATER, "Heaters, loaded").foldedUnless(inside)));
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        boolean mains = session.holding().stream()
                .anyMatch(r -> r.quantity() == Quantity.MAINS && r.context().run() > 0);
        if (!mains) {
            missing.add("Mains volts not read.");
        }
        if (session.access().handsIn() && session.last(Quantity.HEATER, "").isEmpty()) {
            missing.add("Heater volts under load not read.");
        }
        return missing;
    }

    /** A reading taken back is missing, whatever was done before. */
    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return missing(session, now);
    }

    @Override
    public List<Remark> remarks(Look look) {
        Session session = look.session();
        List<Remark> remarks = new ArrayList<>();
        Mains mains = session.plan().amp().mains();
        for (HeaterState heater : HeaterState.all(session, look.judged())) {
            heater.raisedSentence(mains.highest()).ifPresent(estimate -> {
                boolean red = heater.raised().orElseThrow().state() == HeaterCheck.State.RED;
                remarks.add(
                        red
                                ? Remark.caution("heater-raised", "", estimate)
                                : Remark.open("heater-raised", "", estimate));
            });
            String sentence = heater.at() + heater.check().sentence();
            remarks.add(
                    switch (heater.check().state()) {
                        case WITHIN -> Remark.good("heater-within", "", sentence);
                        case AMBER -> Remark.caution("heater-off", "", sentence);
                        case RED -> Remark.alarm("heater-far-off", "", sentence);
                        case NOT_JUDGED -> Remark.open("heater-not-judged", "", sentence);
                    });
        }
        session.last(Quantity.MAINS, "").ifPresent(m -> {
            double volts = m.typed().value();
            if (volts < mains.lowest()) {
                remarks.add(Remark.caution(
                        "mains-low",
                        "",
                        m.typed().echo() + " is below the lowest mains this amp is described for ("
                                + Show.si(mains.lowest(), Unit.VOLT, 3)
                                + " at lowest): readings at it are provisional."));
            } else if (volts > mains.highest()) {
                remarks.add(Remark.caution(
                        "mains-high",
                        "",
                        m.typed().echo() + " is above the highest mains given for this amp, "
                                + Show.si(mains.highest(), Unit.VOLT, 3) + "."));
            }
        });
        return remarks;
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of("Mains and heater volts are AC: set the meter before the probe touches, and keep clear of "
                + volts + " beside the heater pins.");
    }

    @Override
    public String note(Session session) {
        return session.last(Quantity.MAINS, "")
                .map(r -> r.typed().echo()
                        + session.last(Quantity.HEATER, "")
                                .map(h -> ", heaters " + h.typed().echo())
                                .orElse(""))
                .orElse("mains, heater volts");
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.LISTENING);
    }

    @Override
    public List<String> printed(Session session) {
        return session.last(Quantity.HEATER, "").map(r -> "heaters " + r.typed().echo() + " loaded").stream()
                .toList();
    }
}
