package yellowrail.core.load;

import java.util.Optional;
import org.hipparchus.complex.Complex;
import yellowrail.core.reading.Show;

/** One driver, or one cabinet that is taken as it stands: its impedance over frequency. */
public sealed interface Speaker permits Speaker.Nominal, Speaker.VoiceCoil, Speaker.Modelled, Speaker.Measured {
    /** Least and most that is taken for a speaker, Ω. */
    double LEAST_OHMS = 0.5;

    double MOST_OHMS = 2000;

    /**
     * @param hertz above 0
     * @return impedance, Ω; its real part is above zero
     */
    Complex at(double hertz);

    /** What it would be marked with, Ω. */
    double nominalOhms();

    /** How far {@link #nominalOhms()} may be off because it is estimated, share; 0 where it is marked or described. */
    default double nominalError() {
        return 0;
    }

    /** What is known of it, in words. */
    String words();

    /** What two things that are known of it contradict each other in, as a question; empty where nothing does. */
    default Optional<String> contradiction() {
        return Optional.empty();
    }

    /** Whether its impedance over frequency is known; otherwise its nominal ohms stand at every frequency. */
    default boolean hasCurve() {
        return true;
    }

    private static void within(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(
                    what + " of " + Show.plain(value, 4) + "; " + Show.plain(low, 3) + " to " + Show.plain(high, 5));
        }
    }

    /**
     * Only the marking is known: a resistor in its place.
     *
     * @param ohms 0.5 to 2000 Ω
     */
    record Nominal(double ohms) implements Speaker {
        public Nominal {
            within("a nominal impedance in ohms", ohms, LEAST_OHMS, MOST_OHMS);
        }

        @Override
        public Complex at(double hertz) {
            return new Complex(ohms);
        }

        @Override
        public double nominalOhms() {
            return ohms;
        }

        @Override
        public String words() {
            return Show.plain(ohms, 3) + " Ω as marked";
        }

        @Override
        public boolean hasCurve() {
            return false;
        }
    }

    /**
     * Only the resistance of the voice coil was measured. The marking is usually the next standard value above it: the
     * coil is 70 to 90 % of what a moving-coil speaker is marked with, an estimate from practice.
     *
     * @param ohms DC resistance, 0.5 to 2000 Ω
     */
    record VoiceCoil(double ohms) implements Speaker {
        /** The usual share of the marking. */
        static final double SHARE = 0.8;

        /** A marking lies between the coil's ohms over 0.9 and over 0.7. */
        private static final double ERROR = SHARE / 0.7 - 1;

        public VoiceCoil {
            within("a DC resistance in ohms", ohms, LEAST_OHMS, MOST_OHMS);
        }

        @Override
        public Complex at(double hertz) {
            return new Complex(nominalOhms());
        }

        @Override
        public double nominalOhms() {
            return ohms / SHARE;
        }

        @Override
        public double nominalError() {
            return ERROR;
        }

        @Override
        public String words() {
            return Show.plain(ohms, 3) + " Ω DC, so about " + Show.significant(nominalOhms(), 2)
                    + " Ω nominal (estimated: 70 to 90 % of the marking is usual)";
        }

        @Override
        public boolean hasCurve() {
            return false;
        }
    }

    /**
     * The usual model of a moving-coil speaker: coil resistance, its inductance with eddy losses beside it, and the
     * resonance of cone and box as a parallel circuit.
     *
     * @param coilOhms Re, Ω
     * @param henries Le, H; 0 for none
     * @param eddyOhms in parallel with Le, Ω
     * @param resonanceHertz where the peak lies, Hz
     * @param peakOhms total impedance at the peak, Ω, above Re
     * @param quality mechanical Q of the resonance, by which its width follows from the peak
     */
    record Modelled(
            double coilOhms, double henries, double eddyOhms, double resonanceHertz, double peakOhms, double quality)
            implements Speaker {
        public Modelled {
            within("Re in ohms", coilOhms, LEAST_OHMS, MOST_OHMS);
            within("Le in henries", henries, 0, 0.1);
            within("the resistance beside Le in ohms", eddyOhms, 0.1, 1e5);
            within("a resonance in hertz", resonanceHertz, 5, 5000);
            within("a peak in ohms", peakOhms, 1.01 * coilOhms, 1e4);
            within("the Q of the resonance", quality, 0.2, 50);
        }

        @Override
        public Complex at(double hertz) {
            double omega = 2 * Math.PI * hertz;
            double raised = peakOhms - coilOhms;
            // R ∥ L ∥ C by its Q: Z = R / (1 + jQ (f/f0 − f0/f)).
            double detuned = quality * (hertz / resonanceHertz - resonanceHertz / hertz);
            Complex resonance = new Complex(raised).divide(new Complex(1, detuned));
            Complex z = resonance.add(coilOhms);
            if (henries == 0) {
                return z;
            }
            Complex coil = new Complex(0, omega * henries);
            return z.add(coil.multiply(eddyOhms).divide(coil.add(eddyOhms)));
        }

        /** The lowest impedance above the resonance is what standards mark, with up to a fifth of room below. */
        @Override
        public double nominalOhms() {
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i <= 200; i++) {
                least = Math.min(
                        least,
                        at(resonanceHertz * Math.pow(20e3 / resonanceHertz, i / 200.0))
                                .norm());
            }
            return least / VoiceCoil.SHARE;
        }

        @Override
        public String words() {
            return "Re " + Show.plain(coilOhms, 3) + " Ω, Le " + Show.plain(1000 * henries, 3) + " mH beside "
                    + Show.plain(eddyOhms, 3) + " Ω, " + Show.plain(peakOhms, 3) + " Ω at "
                    + Show.plain(resonanceHertz, 3) + " Hz, Q " + Show.plain(quality, 3);
        }
    }

    /**
     * A curve was measured.
     *
     * @param marked what it is marked with, Ω; empty: its lowest impedance above the resonance tells, and so it does where
     *     the marking cannot be that of this curve
     */
    record Measured(ImpedanceCurve curve, Optional<Double> marked) implements Speaker {
        /** Resonances of speakers and their boxes lie below this, Hz. */
        private static final double RESONANCES = 400;
        /** Lowest ohms over the marking: between these the two belong together. */
        private static final double LEAST_OF_MARKING = 0.6;

        private static final double MOST_OF_MARKING = 1.3;

        public Measured {
            marked.ifPresent(ohms -> within("a nominal impedance in ohms", ohms, LEAST_OHMS, MOST_OHMS));
        }

        @Override
        public Complex at(double hertz) {
            return curve.at(hertz);
        }

        @Override
        public double nominalOhms() {
            return marked.filter(this::belongs).orElseGet(() -> leastOhms() / VoiceCoil.SHARE);
        }

        private double leastOhms() {
            return curve.leastOhms(curve.peakHertz(RESONANCES));
        }

        private boolean belongs(double ohms) {
            double share = leastOhms() / ohms;
            return share >= LEAST_OF_MARKING && share <= MOST_OF_MARKING;
        }

        @Override
        public Optional<String> contradiction() {
            return marked.filter(ohms -> !belongs(ohms))
                    .map(ohms -> "Marked is " + Show.plain(ohms, 3) + " Ω, but the curve's lowest is "
                            + Show.significant(leastOhms(), 2) + " Ω, " + Show.fixed(100 * leastOhms() / ohms, 0)
                            + " % of it; 60 to 130 % is usual. Is the marking right, and is it this speaker's curve, in"
                            + " ohms? Until one of them is corrected the curve counts: about "
                            + Show.significant(nominalOhms(), 2) + " Ω.");
        }

        @Override
        public String words() {
            return curve.size() + " points from " + Show.plain(curve.leastHertz(), 3) + " Hz to "
                    + Show.plain(curve.mostHertz(), 3) + " Hz"
                    + (curve.phaseMeasured() ? "" : ", phase computed from the magnitudes")
                    + (marked.filter(this::belongs).isPresent()
                            ? ", " + Show.plain(marked.get(), 3) + " Ω as marked"
                            : ", about " + Show.significant(nominalOhms(), 2) + " Ω nominal by its lowest impedance");
        }
    }
}
