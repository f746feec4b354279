package yellowrail.core.stage;

/** Averages over a cycle and how they move with what they were computed from. */
final class Sums {
    private final double[] plate;
    private final double[] screen;
    private final double[][] plateBy;
    private final double[][] screenBy;

    Sums(int tubes, int averages) {
        plate = new double[tubes];
        screen = new double[tubes];
        plateBy = new double[tubes][averages];
        screenBy = new double[tubes][averages];
    }

    /** @param weight part of the time that this instant stands for */
    void add(Equations equations, double weight) {
        int averages = plateBy[0].length;
        for (int a = 0; a < averages; a++) {
            equations.follow(a);
        }
        for (int t = 0; t < plate.length; t++) {
            plate[t] += weight * equations.point(t).plate;
            screen[t] += weight * equations.point(t).screen;
            for (int a = 0; a < averages; a++) {
                plateBy[t][a] += weight * equations.plateBy(t, a);
                screenBy[t][a] += weight * equations.screenBy(t, a);
            }
        }
    }

    /** What each average is, less what its equation wants it to be. */
    double[] miss(Equations equations) {
        Stage stage = equations.stage;
        double[] mean = equations.mean;
        double[] miss = new double[mean.length];
        double screens = 0;
        double all = 0;
        double difference = 0;
        for (int t = 0; t < plate.length; t++) {
            screens += screen[t];
            all += plate[t];
            difference += equations.sign(t) * (plate[t] + equations.tap * screen[t]);
        }
        boolean own = !Double.isNaN(stage.screenSupplyVolts());
        double fromSupply = equations.pentode && own ? all : all + screens;
        miss[0] = mean[0] - (stage.supplyVolts() - stage.supplyOhms() * fromSupply);
        miss[1] = equations.pentode
                ? mean[1] - ((own ? stage.screenSupplyVolts() : mean[0]) - stage.screenFeedOhms() * screens)
                : 0;
        miss[2] = mean[2] - difference;
        for (int c = 0; c < equations.cathodes; c++) {
            double through = 0;
            for (int t = 0; t < plate.length; t++) {
                if (equations.cathodeColumn(t) == 3 + c) {
                    through += (plate[t] + screen[t]);
                }
            }
            miss[3 + c] = mean[3 + c] - stage.biasing().cathodeOhms() * through;
        }
        return miss;
    }

    void jacobian(Equations equations, double[][] m) {
        Stage stage = equations.stage;
        int averages = plateBy[0].length;
        boolean own = !Double.isNaN(stage.screenSupplyVolts());
        for (int a = 0; a < averages; a++) {
            double screens = 0;
            double all = 0;
            double difference = 0;
            for (int t = 0; t < plate.length; t++) {
                screens += screenBy[t][a];
                all += plateBy[t][a];
                difference += equations.sign(t) * (plateBy[t][a] + equations.tap * screenBy[t][a]);
            }
            double fromSupply = equations.pentode && own ? all : all + screens;
            m[0][a] = (a == 0 ? 1 : 0) + stage.supplyOhms() * fromSupply;
            m[1][a] = (a == 1 ? 1 : 0)
                    + (equations.pentode ? (a == 0 && !own ? -1 : 0) + stage.screenFeedOhms() * screens : 0);
            m[2][a] = (a == 2 ? 1 : 0) - difference;
            for (int c = 0; c < equations.cathodes; c++) {
                double through = 0;
                for (int t = 0; t < plate.length; t++) {
                    if (equations.cathodeColumn(t) == 3 + c) {
                        through += (plateBy[t][a] + screenBy[t][a]);
                    }
                }
                m[3 + c][a] = (a == 3 + c ? 1 : 0) - stage.biasing().cathodeOhms() * through;
            }
        }
    }
}
