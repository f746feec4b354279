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
import yellowrail.core.swap.Chassis.SocketWiring;

/** What is around the tubes, for the tests of swaps. */
final class Around {
    private Around() {}

    /** A chassis with room for anything: what is then refused is refused for the tubes' sake. */
    static Chassis generous() {
        return new Chassis(
                1,
                new SocketWiring(Optional.of(Set.of()), Optional.of(true), false),
                new HeaterWinding(Optional.of(20.0), Optional.of(0.6), 0),
                new GridCircuit(Optional.of(47e3), Optional.of(1)),
                new BiasControl(Optional.of(-90.0), Optional.of(-5.0)),
                new CathodeParts(Optional.of(50.0), Optional.of(100.0)),
                new Output(Optional.of(0.5), Optional.of(true)),
                new HighTension(Optional.of(1.0), Optional.of(0.0), Optional.of(0.02)),
                Rectification.UNTOLD,
                new Room(Optional.of(80.0), Optional.of(200.0)));
    }

    /** The same with one part answered otherwise. */
    static Chassis with(SocketWiring socket) {
        Chassis g = generous();
        return new Chassis(
                1,
                socket,
                g.heater(),
                g.grid(),
                g.control(),
                g.cathode(),
                g.output(),
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(HeaterWinding heater) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                heater,
                g.grid(),
                g.control(),
                g.cathode(),
                g.output(),
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(GridCircuit grid) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                grid,
                g.control(),
                g.cathode(),
                g.output(),
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(BiasControl control) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                control,
                g.cathode(),
                g.output(),
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(CathodeParts cathode) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                g.control(),
                cathode,
                g.output(),
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(Output output) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                g.control(),
                g.cathode(),
                output,
                g.highTension(),
                g.rectification(),
                g.room());
    }

    static Chassis with(HighTension highTension) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                g.control(),
                g.cathode(),
                g.output(),
                highTension,
                g.rectification(),
                g.room());
    }

    static Chassis with(Room room) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                g.control(),
                g.cathode(),
                g.output(),
                g.highTension(),
                g.rectification(),
                room);
    }

    static Chassis with(Rectification rectification) {
        Chassis g = generous();
        return new Chassis(
                1,
                g.socket(),
                g.heater(),
                g.grid(),
                g.control(),
                g.cathode(),
                g.output(),
                g.highTension(),
                rectification,
                g.room());
    }

    /** The same behind a transformer that feeds so many channels. */
    static Chassis channels(int channels, Chassis c) {
        return new Chassis(
                channels,
                c.socket(),
                c.heater(),
                c.grid(),
                c.control(),
                c.cathode(),
                c.output(),
                c.highTension(),
                c.rectification(),
                c.room());
    }
}
