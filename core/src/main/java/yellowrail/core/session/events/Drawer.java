package yellowrail.core.session.events;

import java.util.List;
import yellowrail.core.session.Event;

/** Resistor values the builder has at hand, Ω, for a cathode resistor. */
public record Drawer(List<Double> ohms) implements Event {
    private static final EntryField<List<Double>> VALUES =
            EntryField.ohms("values", "Resistors at hand, Ω, apart by blanks or semicolons", 24);

    static final Kind<Drawer> KIND = new Kind<>("drawer", Drawer.class, List.of(VALUES), s -> new Drawer(VALUES.of(s)));

    public Drawer {
        ohms = List.copyOf(ohms);
    }
}
