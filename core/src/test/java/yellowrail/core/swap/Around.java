package yellowrail.core.swap;

import java.util.Optional;
import java.util.Set;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.ScreenParts;
import yellowrail.core.swap.Chassis.SocketWiring;

/** What is around the tubes, for the tests of swaps. */
final class Around {
    private Around() {}

    /** A chassis with room for anything: what is then refused is refused for the tubes' sake. */
    static Chassis generous() {
        return new Chassis(
                1,
                new SocketWiring(
                        Optional.of(Set.of()),
                        Optional.of(true),
                        Optional.empty(),
                        false,
                        Optional.of(1.0),
                        Optional.empty()),
                new HeaterWinding(Optional.of(20.0), Optional.of(0.6), 0),
                new GridCircuit(Optional.of(47e3), Optional.of(1)),
                new BiasControl(Optional.of(-90.0), Optional.of(-5.0)),
                new CathodeParts(Optional.of(50.0), Optional.of(100.0)),
                new Output(Optional.of(0.5), Optional.of(true)),
                new HighTension(Optional.of(1.0), Optional.of(0.0), Optional.of(0.02)),
                Rectification.UNTOLD,
                new ScreenParts(Optional.of(50.0)),
                new Room(Optional.of(80.0), Optional.of(200.0), Optional.of(true)));
    }

    /** The same with one part answered otherwise. */
    static Chassis with(Record part) {
        return of(1, generous(), part);
    }

    /** The same behind a transformer that feeds so many channels. */
    static Chassis channels(int channels, Chassis c) {
        return of(channels, c, c.room());
    }

    private static Chassis of(int channels, Chassis c, Record part) {
        Chassis made = new Chassis(
                channels,
                in(part, c.socket()),
                in(part, c.heater()),
                in(part, c.grid()),
                in(part, c.control()),
                in(part, c.cathode()),
                in(part, c.output()),
                in(part, c.highTension()),
                in(part, c.rectification()),
                in(part, c.screens()),
                in(part, c.room()));
        if (!made.toString().contains(part.toString())) {
            throw new IllegalArgumentException("a chassis has no " + part);
        }
        return made;
    }

    @SuppressWarnings("unchecked")
    private static <T extends Record> T in(Record part, T usual) {
        return part.getClass() == usual.getClass() ? (T) part : usual;
    }
}
