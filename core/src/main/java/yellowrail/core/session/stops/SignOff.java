package yellowrail.core.session.stops;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** The sheet read and signed. */
public final class SignOff extends Stop {
    SignOff() {
        super("SIGN_OFF", "Sign off");
    }

    @Override
    public boolean powered() {
        return false;
    }

    @Override
    public boolean signs() {
        return true;
    }

    /** What was left out before is printed; what comes right before it is not. */
    @Override
    public List<Stop> after(List<Stop> before) {
        return before.subList(before.size() - 1, before.size());
    }

    @Override
    public Optional<String> skipRefusal() {
        return Optional.of("Sign off is the end of the rail; leave the session open instead.");
    }

    @Override
    public List<String> missing(Session session, long now) {
        return session.signed().isEmpty() ? List.of("Not signed.") : List.of();
    }

    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return List.of();
    }

    @Override
    public Optional<NextStep> next(Look look) {
        return Optional.of(new NextStep("Read the sheet, then sign it.", "", ""));
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "The application cannot see the amplifier. Local electrical codes apply; whoever is not trained asks"
                        + " a qualified technician.");
    }

    @Override
    public String note(Session session) {
        return session.signed().map(s -> "signed " + s.by()).orElse("sheet and next check");
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.SIGNING);
    }
}
