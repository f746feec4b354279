package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowrail.core.stage.LoadNetwork;

/**
 * Speakers on a tap as parts on the primary: ohms and henries times the turns squared, farads over it. The resonance of a
 * modelled speaker is R, L and C beside one another: L = R / (2π f Q), C = Q / (2π f R).
 */
public final class SpeakerNetwork implements LoadNetwork {
    private final Wiring speakers;
    private final double square;
    private final Optional<Double> primaryHenries;

    private SpeakerNetwork(Wiring speakers, double square, Optional<Double> primaryHenries) {
        this.speakers = speakers;
        this.square = square;
        this.primaryHenries = primaryHenries;
    }

    /** Empty where a speaker is known by its measured curve only: that is no circuit. */
    public static Optional<SpeakerNetwork> of(SpeakerOnTap load) {
        boolean measured = load.speakers().drivers().stream().anyMatch(d -> d.speaker() instanceof Speaker.Measured);
        return measured
                ? Optional.empty()
                : Optional.of(new SpeakerNetwork(load.speakers(), load.turns() * load.turns(), load.primaryHenries()));
    }

    @Override
    public List<String> elements(String from, String to) {
        Lines lines = new Lines();
        lines.wiring(speakers, from, to);
        primaryHenries.ifPresent(henries -> lines.add("Lsp", from, to, henries));
        return lines.all;
    }

    private final class Lines {
        private final List<String> all = new ArrayList<>();
        private int count;

        private void add(String kind, String from, String to, double value) {
            all.add(String.format(Locale.ROOT, "%s%d %s %s %.9g", kind, ++count, from, to, value));
        }

        private String node() {
            return "sp" + ++count;
        }

        private void wiring(Wiring wiring, String from, String to) {
            if (wiring instanceof Wiring.Driver driver) {
                speaker(driver.speaker(), from, to);
            } else if (wiring instanceof Wiring.Parallel parallel) {
                parallel.parts().forEach(part -> wiring(part, from, to));
            } else if (wiring instanceof Wiring.Series series) {
                String at = from;
                for (int i = 0; i < series.parts().size(); i++) {
                    String next = i == series.parts().size() - 1 ? to : node();
                    wiring(series.parts().get(i), at, next);
                    at = next;
                }
            }
        }

        private void speaker(Speaker speaker, String from, String to) {
            if (!(speaker instanceof Speaker.Modelled m)) {
                add("Rsp", from, to, square * speaker.nominalOhms());
                return;
            }
            String cone = node();
            if (m.henries() > 0) {
                String coil = node();
                add("Rsp", from, coil, square * m.coilOhms());
                add("Lsp", coil, cone, square * m.henries());
                add("Rsp", coil, cone, square * m.eddyOhms());
            } else {
                add("Rsp", from, cone, square * m.coilOhms());
            }
            double raised = m.peakOhms() - m.coilOhms();
            double omega = 2 * Math.PI * m.resonanceHertz();
            add("Rsp", cone, to, square * raised);
            add("Lsp", cone, to, square * raised / (omega * m.quality()));
            add("Csp", cone, to, m.quality() / (omega * raised) / square);
        }
    }
}
