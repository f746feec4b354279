package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.idle.Contradiction.Code;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/**
 * What one check says twice and not alike. A reading that contradicts another is no ground for an all-clear, whichever of
 * the two is wrong.
 */
final class Contradictions {
    /** Two readings of one voltage differ by this share at most beyond the meter: probes and moments differ. */
    private static final double ONE_VOLTAGE = 0.03;
    /** Cathode volts that a cathode with fixed bias can have over its sense resistor alone, V. */
    private static final double FIXED_CATHODE = 2.0;
    /** A socket adaptor with no tube shows a few counts; this share of the reading is more than that. */
    /** Screens stand at the plate's volts in ultralinear and triode, but for the drop over the copper. */
    private static final double SAME_SUPPLY = 0.05;
    /** With pentode connection the screens' supply lies this far above the plates at most. */
    private static final double SCREEN_ABOVE = 1.15;
    /** Below this share of the plate's volts no screen of an output stage works. */
    private static final double SCREEN_BELOW = 0.2;

    private final IdleQuestion question;
    private final Findings findings;

    private Contradictions(IdleQuestion question, Findings findings) {
        this.question = question;
        this.findings = findings;
    }

    static void find(
            IdleQuestion question, Optional<CurrentSplit> split, Optional<Estimate> plateVolts, Findings findings) {
        Contradictions contradictions = new Contradictions(question, findings);
        contradictions.senseOhms();
        contradictions.ownFigures();
        contradictions.biasScheme();
        contradictions.cathodeVolts();
        split.ifPresent(contradictions::screenCurrent);
        plateVolts.ifPresent(contradictions::screenVolts);
    }

    private void senseOhms() {
        Optional<SenseResistor> element = question.method().element();
        if (element.filter(e -> e.contradicted(question.meter())).isEmpty()) {
            return;
        }
        SenseResistor resistor = element.get();
        findings.contradicted(
                Code.SENSE_RESISTOR,
                "The resistor is marked " + Show.si(resistor.markedOhms(), Unit.OHM, 3) + " ± "
                        + Show.plain(resistor.tolerancePercent(), 2) + " % and was measured at "
                        + resistor.measured().orElseThrow().echo()
                        + ", further off than its tolerance and the meter allow. Is it another resistor, a wrong reading"
                        + " (leads not nulled, a path beside it) or the wrong range?");
    }

    private void ownFigures() {
        question.reading()
                .flatMap(question.method()::objection)
                .ifPresent(o -> findings.contradicted(Code.METHOD_FIGURE, o.about(), o.sentence()));
    }

    /** A cathode-bias resistor in a stage said to have fixed bias. */
    private void biasScheme() {
        BiasScheme bias = question.stage().bias();
        if (bias.fixed() && question.method().tellsCathodeVolts()) {
            findings.contradicted(
                    Code.BIAS_SCHEME,
                    "The current is read across a cathode-bias resistor, but the stage is said to have " + bias.words()
                            + ". Is it cathode bias, or mixed bias?");
        }
    }

    private void cathodeVolts() {
        Optional<Typed> measured = question.plate().cathodeVolts();
        if (measured.isEmpty()) {
            return;
        }
        double volts = measured.get().value();
        double error = question.voltMeter().limit(measured.get());
        BiasScheme bias = question.stage().bias();
        Optional<Typed> drop = question.reading()
                .filter(r -> r.unit() == Unit.VOLT && question.method().readsCathodePath());
        if (drop.isPresent()) {
            double read = drop.get().value();
            double allowed = error + question.meter().limit(drop.get()) + ONE_VOLTAGE * Math.abs(read);
            boolean whole = question.method().tellsCathodeVolts() || bias.fixed();
            if (whole ? Math.abs(volts - read) > allowed : volts < read - allowed) {
                findings.contradicted(
                        Code.CATHODE_VOLTS,
                        "Cathode volts are typed as " + measured.get().echo() + ", and the meter showed "
                                + drop.get().echo() + " " + question.method().words()
                                + (whole ? ", which is the same voltage." : ", which is a part of them.")
                                + " Read both again.");
                return;
            }
        } else if (question.method().tellsCathodeVolts()) {
            againstResistor(measured.get(), error);
        }
        if (bias.fixed() && volts > FIXED_CATHODE + error) {
            findings.contradicted(
                    Code.CATHODE_VOLTS,
                    "With fixed bias the cathode stands near the chassis, but "
                            + measured.get().echo()
                            + " are typed. Is it cathode bias or mixed bias, or a wrong reading?");
        } else if (!bias.fixed() && volts <= error) {
            findings.contradicted(
                    Code.CATHODE_VOLTS,
                    "With " + bias.words() + " the cathode stands some volts above the chassis, but "
                            + measured.get().echo() + " are typed. Read them again.");
        }
    }

    /** Cathode volts beside a current read through the cathode resistor: volts over ohms is that current. */
    private void againstResistor(Typed measured, double error) {
        SenseResistor resistor = question.method().element().orElseThrow();
        Optional<SensedCurrent.Current> seen = question.reading()
                .map(r -> question.method().see(r, question.meter()))
                .filter(SensedCurrent.Current.class::isInstance)
                .map(SensedCurrent.Current.class::cast);
        if (seen.isEmpty()) {
            return;
        }
        double total = seen.get().perTube().value() * seen.get().tubes();
        double expected = total * resistor.ohms();
        Meter meter = question.meter();
        double allowed = error
                + (seen.get().perTube().errors().worst() + resistor.relativeLimit(meter) + ONE_VOLTAGE) * expected;
        if (Math.abs(measured.value() - expected) > allowed) {
            findings.contradicted(
                    Code.CATHODE_VOLTS,
                    "Cathode volts are typed as " + measured.echo() + "; "
                            + Show.si(total, Unit.AMPERE, 3) + " through " + Show.si(resistor.ohms(), Unit.OHM, 3)
                            + " are " + Show.si(expected, Unit.VOLT, 3) + ". Read both again.");
        }
    }

    private void screenCurrent(CurrentSplit split) {
        if (CurrentSplit.credible(question, split)) {
            return;
        }
        double screen = split.screen().map(Estimate::value).orElse(0.0);
        double share = screen / split.cathode().map(Estimate::value).orElse(screen);
        findings.contradicted(
                Code.SCREEN_CURRENT,
                "The measured screen current of " + Show.si(screen, Unit.AMPERE, 3) + " is "
                        + Show.significant(100 * share, 2)
                        + " % of the cathode current, which no tube of this kind takes at idle: is it the drop, the"
                        + " resistor's ohms or the number of screens on it?");
    }

    private void screenVolts(Estimate plateVolts) {
        if (question.screenVolts().isEmpty()) {
            return;
        }
        Typed read = question.screenVolts().get();
        double share = read.value() / plateVolts.value();
        Connection connection = question.stage().connection();
        if (connection == Connection.PENTODE
                ? share < SCREEN_BELOW || share > SCREEN_ABOVE
                : Math.abs(share - 1) > SAME_SUPPLY + cathodeShare(plateVolts)) {
            findings.contradicted(
                    Code.SCREEN_VOLTS,
                    "Screen volts of " + read.echo() + " beside " + Show.si(plateVolts.value(), Unit.VOLT, 3)
                            + " on the plate do not go with " + connection.words()
                            + " connection. Read them again, or correct the connection.");
        }
    }

    /** Screen volts are read to chassis, plate volts are told from the cathode. */
    private double cathodeShare(Estimate plateVolts) {
        return question.plate()
                .volts()
                .map(v -> Math.abs(v.value() / plateVolts.value() - 1))
                .orElse(0.0);
    }
}
