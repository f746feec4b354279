package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageTube;

/**
 * Whether a sheet was made for an amp: a swap that passes in one stage says nothing of another. Each difference is a change of
 * its own, to be described before the tubes are exchanged.
 */
public final class MadeFor {
    /** Figures that are shown in three or four digits differ by less. */
    private static final double SAME = 0.01;

    private static final double SAME_VOLTS = 0.2;

    private final List<String> differences = new ArrayList<>();

    private MadeFor() {}

    /**
     * Every difference in words, none where the sheet was made for this amp.
     *
     * @param amp as its description and its readings tell it
     * @param own what is around its tubes as the amp tells it, and as the sheet says where it does not
     * @param sheet as it was asked
     * @param asked what is around the tubes of the sheet
     */
    public static List<String> differences(Present amp, Chassis own, Present sheet, Chassis asked) {
        MadeFor found = new MadeFor();
        found.tubes(amp, sheet);
        found.chassis(own, asked);
        found.words("bias", amp.scheme().words(), sheet.scheme().words());
        found.words(
                "what is played",
                amp.setting().duty().words(),
                sheet.setting().duty().words());
        found.share("lowest mains", amp.lowest(), sheet.lowest());
        found.share("highest mains", amp.highest(), sheet.highest());
        found.share("present idle", amp.setting().idleShare(), sheet.setting().idleShare());
        found.stage(amp.setting().described(), sheet.setting().described());
        return List.copyOf(found.differences);
    }

    private void chassis(Chassis amp, Chassis sheet) {
        numbers("channels on one supply", amp.channels(), sheet.channels());
        known(
                "heater winding",
                amp.part(Chassis.HeaterWinding.class).amperes(),
                sheet.part(Chassis.HeaterWinding.class).amperes(),
                Unit.AMPERE);
        known(
                "high-tension winding",
                amp.part(Chassis.HighTension.class).windingAmperes(),
                sheet.part(Chassis.HighTension.class).windingAmperes(),
                Unit.AMPERE);
        // Left open it is the stricter.
        sheet.part(Chassis.SocketWiring.class)
                .senseOhms()
                .ifPresent(said -> known(
                        "resistor from a cathode to the chassis",
                        amp.part(Chassis.SocketWiring.class).senseOhms(),
                        Optional.of(said),
                        Unit.OHM));
        known(
                "core current the transformer is rated for",
                amp.part(Chassis.Output.class).coreAmperes(),
                sheet.part(Chassis.Output.class).coreAmperes(),
                Unit.AMPERE);
        known(
                "coldest end of the bias",
                amp.part(Chassis.BiasControl.class).coldest(),
                sheet.part(Chassis.BiasControl.class).coldest(),
                Unit.VOLT);
        known(
                "hottest end of the bias",
                amp.part(Chassis.BiasControl.class).hottest(),
                sheet.part(Chassis.BiasControl.class).hottest(),
                Unit.VOLT);
    }

    private void known(String what, Optional<Double> amp, Optional<Double> sheet, Unit unit) {
        figure(what, amp.orElse(Double.NaN), sheet.orElse(Double.NaN), unit);
    }

    private void tubes(Present amp, Present sheet) {
        words("tubes", amp.type().designation(), sheet.type().designation());
        numbers("tubes in a channel", amp.tubes(), sheet.tubes());
        words("ratings", amp.ratings().edition(), sheet.ratings().edition());
    }

    private void stage(Stage amp, Stage sheet) {
        words("topology", amp.topology().words(), sheet.topology().words());
        words("connection", amp.connection().words(), sheet.connection().words());
        if (amp.connection() == sheet.connection() && amp.screenTap() > 0) {
            share("screen tap", amp.screenTap(), sheet.screenTap());
        }
        figure("load", amp.loadOhms(), sheet.loadOhms(), Unit.OHM);
        figure("B+ without load", amp.supplyVolts(), sheet.supplyVolts(), Unit.VOLT);
        figure("source resistance", amp.supplyOhms(), sheet.supplyOhms(), Unit.OHM);
        figure("screen supply", amp.screenSupplyVolts(), sheet.screenSupplyVolts(), Unit.VOLT);
        figure("screen feed", amp.screenFeedOhms(), sheet.screenFeedOhms(), Unit.OHM);
        figure("half primary", amp.halfPrimaryOhms(), sheet.halfPrimaryOhms(), Unit.OHM);
        figure("secondary's copper", amp.secondaryOhms(), sheet.secondaryOhms(), Unit.OHM);
        biasing(amp.biasing(), sheet.biasing());
        each("screen resistor", amp, sheet, StageTube::screenOhms, v -> shown(v, Unit.OHM), 0);
        each("strength", amp, sheet, StageTube::scale, v -> Show.plain(v, 3), 0);
        each("grid apart", amp, sheet, StageTube::gridOffset, v -> shown(v, Unit.VOLT), SAME_VOLTS);
    }

    private void biasing(Biasing amp, Biasing sheet) {
        figure("cathode resistor", amp.cathodeOhms(), sheet.cathodeOhms(), Unit.OHM);
        if (amp.cathodeOhms() > 0 && sheet.cathodeOhms() > 0) {
            words(
                    "cathode resistor",
                    amp.shared() ? "one for all" : "one at each tube",
                    sheet.shared() ? "one for all" : "one at each tube");
        }
    }

    /** @param least what two figures may differ by whatever their size, in their unit */
    private void each(
            String what,
            Stage amp,
            Stage sheet,
            ToDoubleFunction<StageTube> figure,
            DoubleFunction<String> shown,
            double least) {
        for (int t = 0; t < Math.min(amp.tubes().size(), sheet.tubes().size()); t++) {
            double one = figure.applyAsDouble(amp.tubes().get(t));
            double other = figure.applyAsDouble(sheet.tubes().get(t));
            if (!same(one, other) && Math.abs(one - other) > least) {
                words(what + " of tube " + (t + 1), shown.apply(one), shown.apply(other));
                return;
            }
        }
    }

    private static boolean same(double one, double other) {
        return Double.isNaN(one) && Double.isNaN(other)
                || Math.abs(one - other) <= SAME * Math.max(Math.abs(one), Math.abs(other));
    }

    private void figure(String what, double amp, double sheet, Unit unit) {
        if (!same(amp, sheet)) {
            words(what, shown(amp, unit), shown(sheet, unit));
        }
    }

    private static String shown(double figure, Unit unit) {
        return Double.isNaN(figure) ? "none" : Show.si(figure, unit, 4);
    }

    private void share(String what, double amp, double sheet) {
        if (Math.abs(amp - sheet) > SAME) {
            words(what, Show.fixed(100 * amp, 1) + " %", Show.fixed(100 * sheet, 1) + " %");
        }
    }

    private void numbers(String what, int amp, int sheet) {
        words(what, String.valueOf(amp), String.valueOf(sheet));
    }

    private void words(String what, String amp, String sheet) {
        if (!amp.equals(sheet)) {
            differences.add(what + ": " + amp + " in the amp, " + sheet + " on the sheet");
        }
    }
}
