package yellowrail.core.swap;

import java.util.Optional;
import java.util.Set;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.ScreenParts;
import yellowrail.core.swap.Chassis.SocketWiring;

/** What is around the tubes, for the tests of swaps. */
final class Around {
    private Around() {}

    /** A chassis with room for anything: what is then refused is refused for the tubes' sake. */
    static Chassis generous() {
        return Chassis.unanswered(1)
                .with(new SocketWiring(
                        Optional.of(Set.of()),
                        Optional.of(true),
                        Optional.empty(),
                        false,
                        Optional.of(1.0),
                        Optional.empty()))
                .with(new HeaterWinding(Optional.of(20.0), Optional.of(0.6), 0))
                .with(new GridCircuit(Optional.of(47e3), Optional.of(1)))
                .with(new BiasControl(Optional.of(-90.0), Optional.of(-5.0)))
                .with(new CathodeParts(Optional.of(50.0), Optional.of(100.0)))
                .with(new Output(Optional.of(0.5), Optional.of(true)))
                .with(new HighTension(Optional.of(1.0), Optional.of(0.0), Optional.of(0.02)))
                .with(new ScreenParts(Optional.of(50.0)))
                .with(new Room(Optional.of(80.0), Optional.of(200.0), Optional.of(true)));
    }

    /** The same with one part answered otherwise. */
    static Chassis with(Chassis.Part part) {
        return generous().with(part);
    }
}
