package yellowrail.core.session.events;

import java.util.List;
import yellowrail.core.session.Event;

/** Resistor values the builder has at hand, Ω, for a cathode resistor. */
public record Drawer(List<Double> ohms) implements Event {
    static final Kind<Drawer> KIND =
            new Kind<>("drawer", Drawer.class, List.of("values"), s -> new Drawer(s.ohms("values", 24)));

    public Drawer {
        ohms = List.copyOf(ohms);
    }
}
