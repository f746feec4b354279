package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;

/** What can be wrong with the amp, the stops, the findings and the mains of a soak. */
final class PlantedCircumstances extends ProofBench {
    private PlantedCircumstances() {}

    static void plantAll() {
        plant(
                "mixed bias at a highest mains that only cathode bias would stand",
                true,
                () -> soak(maximum(BiasScheme.MIXED), 5, 9, b -> {
                    pass(31.6, 31.6, 412).accept(b);
                    b.reads(Quantity.CATHODE, "V1", 14).reads(Quantity.CATHODE, "V2", 14);
                }));
        plant(
                "shared resistor: only a mean",
                true,
                () -> soak(
                        shared(),
                        5,
                        9,
                        b -> b.reads(Quantity.MAINS, "", 230)
                                .reads(Quantity.PLATE, "V1", 398)
                                .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5)));
        plant(
                "shared mean fine, one tube hot",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                    double[] each = {0.0438, 0.0316, 0.0300, 0.0210};
                    for (int i = 0; i < 4; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), each[i]);
                    }
                }));
        plant(
                "shared point, three tubes seen alone",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                    for (int i = 0; i < 3; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                    }
                }));
        plant(
                "singles contradict the combined reading (wrong N)",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 2 * 0.0316 * 0.5);
                    for (int i = 0; i < 4; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                    }
                }));
        plant("triode with the screen limit exceeded", true, () -> {
            Bench bench = with(connected(Connection.TRIODE));
            bench.standards = new JudgingBasis(
                    Map.of("X19", Bench.x19(Optional.of(0.5))), List.of(Bench.STORY), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("screen volts show the screen over its limit", true, () -> {
            Bench bench = good();
            bench.standards = new JudgingBasis(
                    Map.of("X19", Bench.x19(Optional.of(0.6))), List.of(Bench.STORY), Optional.empty());
            return soak(
                    bench,
                    5,
                    9,
                    b -> pass(31.6, 31.3, 398)
                            .accept(b.reads(Quantity.SCREEN, "V1", 390).reads(Quantity.SCREEN, "V2", 390)));
        });
        plant("type not in the catalogue", true, () -> {
            Bench bench = good();
            bench.standards = new JudgingBasis(Map.of(), List.of(Bench.STORY), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("target not known any more", true, () -> {
            Bench bench = good();
            bench.standards = new JudgingBasis(bench.standards.types(), List.of(), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("target chosen above the ceiling", true, () -> {
            Bench bench = good();
            Window hot = new Window("hot", 0.82, 0.95, "");
            bench.standards = new JudgingBasis(bench.standards.types(), List.of(Bench.STORY, hot), Optional.empty());
            bench.did(new Aimed("hot", "I like it"));
            return soak(bench, 5, 9, pass(43, 43, 398));
        });
        plant("sense resistor measured far from its marking", true, () -> {
            Bench bench = Bench.pair(Purpose.YEARLY_CHECK)
                    .preflight()
                    .enters(Stops.DRAINED)
                    .drained();
            bench.did(Read.of(Quantity.SENSE_OHMS, "V1", new Typed("6.0", 6.0, Unit.OHM, 0.1)));
            bench.enters(Stops.MAINS).did(new Declared(Power.ON_TUBES_IN)).minutes(1);
            bench.reads(Quantity.HEATER, "", 6.3).reads(Quantity.MAINS, "", 230);
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("correction of the last reading to a hot one", true, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            RecordedReading last = bench.session.last(Quantity.CURRENT, "V1").orElseThrow();
            return bench.did(new Read(
                    Quantity.CURRENT,
                    "V1",
                    Bench.read(Quantity.CURRENT, "V1", 0.45).typed(),
                    last.id(),
                    "misread"));
        });
        plant("nothing read at all", true, () -> good());
        plant(
                "only grid volts read",
                true,
                () -> soak(
                        good(),
                        5,
                        9,
                        b -> b.reads(Quantity.MAINS, "", 230)
                                .reads(Quantity.GRID, "V1", -38)
                                .reads(Quantity.GRID, "V2", -38)));
        plant("left alone for a day after one good pass", false, () -> {
            Bench bench = soak(good(), 1, 60 * 24, pass(31.6, 31.3, 398));
            return bench.did(new Declared(Power.OFF));
        });
        plant("current of zero", true, () -> soak(good(), 5, 9, pass(31.6, 0, 398)));
        plant("a negative sense reading", true, () -> soak(good(), 5, 9, pass(31.6, -31.3, 398)));
        plant(
                "plate volts of one tube read upside down",
                true,
                () -> soak(good(), 5, 9, b -> {
                    pass(31.6, 31.3, 398).accept(b);
                    b.reads(Quantity.PLATE, "V2", 893);
                }));
        plant(
                "mains typed of another land",
                true,
                () -> soak(good(), 5, 9, b -> b.reads(Quantity.MAINS, "", 120).round(31.6, 31.3, 398)));
        plant("three readings that rise three per cent", false, () -> {
            Bench bench = soak(good(), 0, 0, b -> {});
            for (double milli : new double[] {30.5, 31.0, 31.5}) {
                pass(milli, 31.3, 398).accept(bench.minutes(16));
            }
            return bench;
        });
        plant("one tube left out for the last hour", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            for (int i = 0; i < 6; i++) {
                bench.minutes(10)
                        .reads(Quantity.MAINS, "", 230)
                        .reads(Quantity.PLATE, "V1", 398)
                        .reads(Quantity.CURRENT, "V1", 31.6 * Bench.OHMS / 1000);
            }
            return bench;
        });
        plant("singles an hour old behind a mean read now", true, () -> {
            Bench bench = soak(shared(), 5, 9, b -> {
                b.reads(Quantity.MAINS, "", 230).reads(Quantity.PLATE, "V1", 398);
                b.reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                for (int i = 0; i < 4; i++) {
                    b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                }
            });
            bench.minutes(60).reads(Quantity.MAINS, "", 230).reads(Quantity.PLATE, "V1", 398);
            return bench.reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
        });
        plant("ohms measured with a leftover charge stay locked", true, () -> {
            Bench bench = Bench.pair(Purpose.YEARLY_CHECK).preflight().enters(Stops.DRAINED);
            bench.reads(Quantity.RESIDUAL, "reservoir", 8).reads(Quantity.RESIDUAL, "bias", 0.2);
            assertThat(bench.tell(Bench.read(Quantity.SENSE_OHMS, "V1", 9.94))).isPresent();
            return bench;
        });
        plant("soak at one setting, last reading at another mains far away", true, () -> {
            Bench bench = soak(good(), 4, 9, pass(31.6, 31.3, 398));
            bench.reads(Quantity.MAINS, "", 200).round(31.6, 31.3, 398);
            return bench;
        });
    }
}
