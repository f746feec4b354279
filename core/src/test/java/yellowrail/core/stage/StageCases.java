package yellowrail.core.stage;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModel;

/** Stages solved by others: a circuit simulator and an independent solver. */
final class StageCases {
    /** One case: the stage, its idle, and levels of drive with what they give. */
    record Case(String id, Stage stage, Map<String, double[]> idle, List<Level> levels) {
        @Override
        public String toString() {
            return id;
        }
    }

    record Level(double peak, Map<String, double[]> values) {
        double one(String name) {
            return values.get(name)[0];
        }
    }

    private StageCases() {}

    static List<Case> all() {
        List<Case> cases = new ArrayList<>();
        String[] head = null;
        List<StageTube> tubes = new ArrayList<>();
        Map<String, double[]> idle = Map.of();
        List<Level> levels = new ArrayList<>();
        for (String line : lines()) {
            String[] w = line.split(" ");
            switch (w[0]) {
                case "case" -> {
                    if (head != null) {
                        cases.add(new Case(head[1], stage(head, tubes), idle, List.copyOf(levels)));
                    }
                    head = w;
                    tubes = new ArrayList<>();
                    levels.clear();
                }
                case "tube" -> tubes.add(tube(w));
                case "idle" -> idle = values(w, 1);
                case "drive" -> levels.add(new Level(Double.parseDouble(w[1]), values(w, 2)));
                default -> {}
            }
        }
        cases.add(new Case(head[1], stage(head, tubes), idle, List.copyOf(levels)));
        return cases;
    }

    private static List<String> lines() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                StageCases.class.getResourceAsStream("/stage-cases.txt"), StandardCharsets.UTF_8))) {
            return in.lines().toList();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static double number(String text) {
        return Double.parseDouble(text);
    }

    private static StageTube tube(String[] w) {
        TubeModel model = new TubeModel(
                number(w[5]),
                number(w[6]),
                number(w[7]),
                number(w[8]),
                number(w[9]),
                number(w[10]),
                number(w[11]),
                number(w[12]),
                number(w[13]));
        return new StageTube(model, Integer.parseInt(w[1]), number(w[2]), number(w[3]), number(w[4]));
    }

    private static Stage stage(String[] w, List<StageTube> tubes) {
        return new Stage(
                Topology.valueOf(w[2]),
                Connection.valueOf(w[3]),
                number(w[4]),
                number(w[5]),
                number(w[6]),
                Double.NaN,
                number(w[7]),
                number(w[8]),
                0,
                number(w[9]),
                tubes,
                new Biasing(
                        number(w[12]) > 0 ? 0 : number(w[10]),
                        number(w[12]) > 0 ? 0 : number(w[11]),
                        number(w[12]),
                        w[13].equals("shared")));
    }

    private static Map<String, double[]> values(String[] w, int from) {
        Map<String, double[]> values = new HashMap<>();
        for (int i = from; i < w.length; ) {
            String name = w[i++];
            List<Double> numbers = new ArrayList<>();
            while (i < w.length && !Character.isLetter(w[i].charAt(0))) {
                numbers.add(number(w[i++]));
            }
            values.put(name, numbers.stream().mapToDouble(Double::doubleValue).toArray());
        }
        return values;
    }
}
