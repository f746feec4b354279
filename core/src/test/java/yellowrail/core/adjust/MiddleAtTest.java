package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

/** Where every tube is turned to, over the mains. */
class MiddleAtTest {
    /** A window, and how currents follow the mains. */
    record Case(Window window, Band amperes) {}

    static List<Case> cases() {
        return List.of(
                new Case(new Window("middle", 0.55, 0.65, ""), new Band(1.4, 1.5, 1.6)),
                new Case(new Window("middle", 0.55, 0.65, ""), new Band(3.6, 4.8, 6.0)),
                new Case(new Window("wide", 0.45, 0.75, ""), new Band(1.4, 1.5, 1.6)),
                new Case(new Window("narrow", 0.595, 0.605, ""), new Band(1.4, 1.5, 1.6)),
                new Case(new Window("hot", 0.9, 1.0, ""), new Band(1.1, 1.15, 1.2)));
    }

    private static double share(Case c, double mains) {
        return c.window().aim() * MiddleAt.of(c.window(), mains, c.amperes()).watts();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void goesOverTheMainsWithoutAJump(Case c) {
        assertThat(share(c, 1)).isCloseTo(c.window().aim(), within(1e-12));
        double steepest = c.amperes().high() + 1;
        for (double mains = 0.88; mains < 1.15; mains += 0.0005) {
            double step = share(c, mains + 0.0005) / share(c, mains) - 1;
            assertThat(step).as(mains + " of nominal").isBetween(-1e-9, steepest * 0.0005 * 1.2);
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void atLowMainsNeverHotterThanTheWindowAllowsAtNominal(Case c) {
        for (double mains = 0.88; mains < 1; mains += 0.001) {
            for (double amperes : new double[] {
                c.amperes().low(), c.amperes().mid(), c.amperes().high()
            }) {
                assertThat(share(c, mains) / Math.pow(mains, amperes + 1))
                        .as(mains + " of nominal, exponent " + amperes)
                        .isLessThanOrEqualTo(c.window().high() + 1e-12);
            }
        }
    }

    /** As read it lies inside too, at any mains above nominal, and below it as far as that can be. */
    @ParameterizedTest
    @MethodSource("cases")
    void isInsideAsReadWhereThatCanBe(Case c) {
        for (double mains = 0.985; mains < 1.15; mains += 0.001) {
            double share = share(c, mains);
            assertThat(share)
                    .as(mains + " of nominal")
                    .isLessThanOrEqualTo(c.window().high());
            boolean canBe = c.window().high() * Math.pow(mains, c.amperes().high() + 1)
                    > 1.03 * c.window().low();
            if (mains >= 1 || canBe) {
                assertThat(share)
                        .as(mains + " of nominal")
                        .isGreaterThanOrEqualTo(c.window().low());
            }
        }
    }
}
