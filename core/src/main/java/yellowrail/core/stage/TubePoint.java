package yellowrail.core.stage;

import yellowrail.core.tube.TubeModel;

/** Currents of one tube at one instant with their slopes; reused, so that a cycle allocates nothing. */
final class TubePoint {
    double plate;
    double screen;
    double plateByPlate;
    double plateByScreen;
    double plateByGrid;
    double screenByPlate;
    double screenByScreen;
    double screenByGrid;

    /** The model's equations and their derivatives; volts from the cathode. */
    void at(TubeModel m, double scale, double plateVolts, double screenVolts, double grid) {
        double vp = Math.max(plateVolts, 0);
        double vg2 = Math.max(screenVolts, 0.1);
        double x = m.kp() * (1 / m.mu() + grid / vg2);
        double e = Math.exp(-Math.abs(x));
        double soft = Math.max(x, 0) + Math.log1p(e);
        double sigmoid = x >= 0 ? 1 / (1 + e) : e / (1 + e);
        double e1 = vg2 / m.kp() * soft;
        double s = scale * Math.pow(e1, m.ex());
        double slope = e1 > 0 ? m.ex() * s / e1 : 0;
        double byScreen = screenVolts > 0.1 ? slope * (soft / m.kp() - sigmoid * grid / vg2) : 0;
        double byGrid = slope * sigmoid;
        double bend = vp / m.kvb();
        double knee = 2 / m.kg1() * Math.atan(bend) * (1 + vp / m.va());
        double rise = (1 + m.ks() / (1 + vp / m.vs())) / m.kg2();
        plate = s * knee;
        screen = s * rise;
        plateByScreen = byScreen * knee;
        plateByGrid = byGrid * knee;
        screenByScreen = byScreen * rise;
        screenByGrid = byGrid * rise;
        if (plateVolts > 0) {
            plateByPlate =
                    s * 2 / m.kg1() * ((1 + vp / m.va()) / (m.kvb() * (1 + bend * bend)) + Math.atan(bend) / m.va());
            double w = 1 + vp / m.vs();
            screenByPlate = -s / m.kg2() * m.ks() / (m.vs() * w * w);
        } else {
            plateByPlate = 0;
            screenByPlate = 0;
        }
    }
}
