package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowrail.core.tube.TubeModel;

/**
 * A computed stage as a netlist in generic SPICE syntax: behavioural tubes, coupled windings with their copper, the load
 * or the speaker's network reflected to the primary, and the real supplies: source and feed resistance, cathode resistors with their bypass. The
 * operating point is the idle. Capacitors begin at the averages of the drive asked for, since a supply would take seconds to
 * settle; they are large, so that they keep them over the cycles run. A control block prints idle and driven figures in
 * batch mode.
 */
public final class Netlist {
    /** So large that it takes no part of the load: a real primary is told where it is known. */
    private static final double HENRIES = 2000;

    private static final double HERTZ = 1000;
    /** Cycles that are run, the last of them measured; each in so many steps. */
    private static final int CYCLES = 40;

    private static final int MEASURED = 10;
    private static final int STEPS = 500;
    /** Large beside what a cycle of 1 kHz moves. */
    private static final double FARADS = 0.1;

    private Netlist() {}

    /** A drive and the averages it has: what capacitors and windings begin at. */
    private record Drive(
            double hertz,
            double peak,
            double supplyVolts,
            double screenVolts,
            List<Double> cathodeVolts,
            List<Cycle.TubeCycle> tubes) {}

    /** @param cycle the level of drive to run at 1 kHz into the stage's load, with its averages */
    public static String of(Stage stage, Cycle cycle) {
        return written(
                stage,
                new Drive(
                        HERTZ,
                        cycle.drive(),
                        cycle.supplyVolts(),
                        cycle.screenVolts(),
                        cycle.cathodeVolts(),
                        cycle.tubes()),
                (from, to) -> List.of("Rload " + from + " " + to + " " + num(stage.loadOhms())));
    }

    /**
     * @param cycle the drive to run at its frequency, with its averages
     * @param load what hangs on the primary instead of the stage's resistor
     */
    public static String of(Stage stage, ReactiveCycle cycle, LoadNetwork load) {
        return written(
                stage,
                new Drive(
                        cycle.hertz(),
                        cycle.drive(),
                        cycle.supplyVolts(),
                        cycle.screenVolts(),
                        cycle.cathodeVolts(),
                        cycle.tubes()),
                load);
    }

    private static String written(Stage stage, Drive cycle, LoadNetwork load) {
        StringBuilder n = new StringBuilder();
        boolean pentode = stage.screenTap() == 0;
        double tap = stage.screenTap();
        line(
                n,
                "* Output stage as computed: .op is its idle, .tran its drive with %s V peak at %s Hz",
                num(cycle.peak()),
                num(cycle.hertz()));
        line(n, "* Supplies as described; capacitors begin at the computed averages of that drive.");
        line(n, "Vbb bb 0 %s", num(stage.supplyVolts()));
        line(n, "Rsource bb b %s", num(Math.max(1e-3, stage.supplyOhms())));
        line(n, "Cb b 0 %s ic=%s", num(FARADS), num(cycle.supplyVolts()));
        if (pentode) {
            boolean own = !Double.isNaN(stage.screenSupplyVolts());
            if (own) {
                line(n, "Vss ss 0 %s", num(stage.screenSupplyVolts()));
            }
            line(n, "Rfeed %s s %s", own ? "ss" : "b", num(Math.max(1e-3, stage.screenFeedOhms())));
            line(n, "Cs s 0 %s ic=%s", num(FARADS), num(cycle.screenVolts()));
        }
        cathodes(n, stage, cycle);
        int sides = stage.pushPull() ? 2 : 1;
        for (int side = 0; side < sides; side++) {
            winding(n, stage, cycle, side, pentode, tap);
        }
        couplings(n, sides, !pentode && tap < 1);
        // A winding's own capacitance, by which the simulator finds the first instant.
        line(n, "Cwind x0 %s 20p", sides == 2 ? "x1" : "b");
        line(n, "Vload x0 xl 0");
        load.elements("xl", "z").forEach(element -> line(n, "%s", element));
        line(n, "Rsec z %s %s", sides == 2 ? "x1" : "b", num(Math.max(1e-3, stage.secondaryOhms())));
        line(n, "Bload wload 0 v=v(xl,z)*i(vload)");
        for (int t = 0; t < stage.tubes().size(); t++) {
            tube(n, stage, cycle, t, pentode, tap);
        }
        line(n, ".options reltol=1e-5 abstol=1e-9 vntol=1e-6 method=gear maxord=2");
        control(n, stage, cycle);
        line(n, ".end");
        return n.toString();
    }

    /** The node of a tube's cathode: chassis with fixed bias, else one for all or one each. */
    private static String cathode(Stage stage, int t) {
        return stage.biasing().cathodeOhms() == 0 ? "0" : stage.biasing().shared() ? "kk" : "kk" + t;
    }

    private static void cathodes(StringBuilder n, Stage stage, Drive cycle) {
        for (int c = 0; c < cycle.cathodeVolts().size(); c++) {
            String node = cathode(stage, c);
            line(n, "Rk%d %s 0 %s", c, node, num(stage.biasing().cathodeOhms()));
            line(
                    n,
                    "Ck%d %s 0 %s ic=%s",
                    c,
                    node,
                    num(FARADS),
                    num(cycle.cathodeVolts().get(c)));
        }
    }

    /** Idle by the operating point, then averages over the last whole cycles of the drive. */
    private static void control(StringBuilder n, Stage stage, Drive drive) {
        line(n, ".control");
        line(n, "op");
        line(n, "echo idle");
        line(n, "print v(b)");
        for (int t = 0; t < stage.tubes().size(); t++) {
            line(n, "print i(vp%d) i(vk%d) v(wp%d) v(ws%d)", t, t, t, t);
        }
        double period = 1 / drive.hertz();
        String from = num((CYCLES - MEASURED) * period);
        String to = num(CYCLES * period);
        line(n, "tran %s %s %s %s uic", num(period / STEPS), to, from, num(period / STEPS));
        line(n, "echo driven");
        line(n, "meas tran supply_volts avg v(b) from=%s to=%s", from, to);
        line(n, "meas tran load_watts avg v(wload) from=%s to=%s", from, to);
        for (int side = 0; side < (stage.pushPull() ? 2 : 1); side++) {
            line(n, "meas tran plate_most_volts_%d max v(p%d) from=%s to=%s", side, side, from, to);
        }
        for (int t = 0; t < stage.tubes().size(); t++) {
            line(n, "meas tran plate_watts_%d avg v(wp%d) from=%s to=%s", t, t, from, to);
            line(n, "meas tran screen_watts_%d avg v(ws%d) from=%s to=%s", t, t, from, to);
        }
        line(n, ".endc");
    }

    /**
     * An ideal winding that starts at its average current, and its resistance behind it. The second side is wound the
     * other way round.
     */
    private static void winding(StringBuilder n, Stage stage, Drive cycle, int side, boolean pentode, double tap) {
        double plate = 0;
        double screen = 0;
        for (int t = 0; t < stage.tubes().size(); t++) {
            if (stage.tubes().get(t).side() == side) {
                plate += cycle.tubes().get(t).plateAmperes();
                screen += cycle.tubes().get(t).screenAmperes();
            }
        }
        double ohms = Math.max(1e-3, stage.halfPrimaryOhms());
        if (pentode || tap >= 1) {
            coil(n, "L" + side, side, "b", "x" + side, HENRIES, pentode ? plate : plate + screen);
            line(n, "Rw%d x%d p%d %s", side, side, side, num(ohms));
            return;
        }
        coil(n, "Lt" + side, side, "b", "y" + side, HENRIES * tap * tap, plate + screen);
        coil(n, "L" + side, side, "y" + side, "x" + side, HENRIES * (1 - tap) * (1 - tap), plate);
        // Screen current flows in the tapped part only: the drops follow from both currents.
        line(n, "Vm%d x%d m%d 0", side, side, side);
        line(n, "Vt%d y%d n%d 0", side, side, side);
        line(n, "Bw%d m%d p%d v=%s*(i(Vm%d)+%s*i(Vt%d))", side, side, side, num(ohms), side, num(tap), side);
        line(n, "Bt%d n%d t%d v=%s*(i(Vm%d)+i(Vt%d))", side, side, side, num(ohms * tap), side, side);
    }

    private static void coil(
            StringBuilder n, String name, int side, String from, String to, double henries, double amperes) {
        if (side == 0) {
            line(n, "%s %s %s %s ic=%s", name, from, to, num(henries), num(amperes));
        } else {
            line(n, "%s %s %s %s ic=%s", name, to, from, num(henries), num(-amperes));
        }
    }

    private static void couplings(StringBuilder n, int sides, boolean tapped) {
        List<String> names = new ArrayList<>();
        for (int side = 0; side < sides; side++) {
            if (tapped) {
                names.add("Lt" + side);
            }
            names.add("L" + side);
        }
        int count = 0;
        for (int i = 0; i < names.size(); i++) {
            for (int j = i + 1; j < names.size(); j++) {
                line(n, "K%d %s %s 0.9999999", count++, names.get(i), names.get(j));
            }
        }
    }

    private static void tube(StringBuilder n, Stage stage, Drive cycle, int t, boolean pentode, double tap) {
        StageTube tube = stage.tubes().get(t);
        TubeModel m = tube.model();
        Biasing b = stage.biasing();
        double bias = (tube.side() == 0 ? b.gridA() : b.gridB()) + tube.gridOffset();
        line(n, "Vk%d k%d %s 0", t, t, cathode(stage, t));
        line(n, "Vp%d p%d a%d 0", t, tube.side(), t);
        line(
                n,
                "Vg%d g%d 0 sin(%s %s %s)",
                t,
                t,
                num(bias),
                num(tube.side() == 0 ? cycle.peak() : -cycle.peak()),
                num(cycle.hertz()));
        String screen = pentode ? "s" : tap >= 1 ? "p" + tube.side() : "t" + tube.side();
        line(n, "Rg2%d %s q%d %s", t, screen, t, num(Math.max(1e-3, tube.screenOhms())));
        String vp = String.format(Locale.ROOT, "max(v(a%d,k%d),0)", t, t);
        String vg2 = String.format(Locale.ROOT, "max(v(q%d,k%d),0.1)", t, t);
        line(n, "Bx%d x%dn 0 v=%s*(1/%s+v(g%d,k%d)/%s)", t, t, num(m.kp()), num(m.mu()), t, t, vg2);
        line(
                n,
                "Be%d e%dn 0 v=%s*pow(%s/%s*(max(v(x%dn),0)+ln(1+exp(-abs(v(x%dn))))),%s)",
                t,
                t,
                num(tube.scale()),
                vg2,
                num(m.kp()),
                t,
                t,
                num(m.ex()));
        line(
                n,
                "Bp%d a%d k%d i=2*v(e%dn)/%s*atan(%s/%s)*(1+%s/%s)",
                t,
                t,
                t,
                t,
                num(m.kg1()),
                vp,
                num(m.kvb()),
                vp,
                num(m.va()));
        line(n, "Vs%d q%d r%d 0", t, t, t);
        line(n, "Bwp%d wp%d 0 v=v(a%d,k%d)*i(vp%d)", t, t, t, t, t);
        line(n, "Bws%d ws%d 0 v=v(r%d,k%d)*i(vs%d)", t, t, t, t, t);
        line(n, "Bs%d r%d k%d i=v(e%dn)/%s*(1+%s/(1+%s/%s))", t, t, t, t, num(m.kg2()), num(m.ks()), vp, num(m.vs()));
    }

    private static void line(StringBuilder n, String format, Object... values) {
        n.append(String.format(Locale.ROOT, format, values)).append('\n');
    }

    private static String num(double value) {
        return String.format(Locale.ROOT, "%.9g", value);
    }
}
