package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;

class SafeDriveTest {
    private static Optional<Estimate> turns(double known) {
        return known == 0
                ? Optional.empty()
                : Optional.of(new Estimate(known, ErrorBudget.exact().and("meter", 0.01)));
    }

    /** Leads, volts, turns known (0: not), whether refused, and what the sentence says. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "tap-8; 0.1; 0; no; tens of volts there",
                "tap-8; 0.2; 0; no; 1.0 to 30 V",
                "tap-8; 0.21; 0; yes; at most 0.2 V goes on the low side",
                "tap-8; 6.3; 0; yes; more than any leads may have",
                "tap-8; 6.3; 26; yes; At most 30 V AC",
                "tap-8; 1.0; 26; no; about 26 V",
                "tap-8; 1.13; 26; no; 29 to 30 V",
                "tap-8; 1.2; 26; yes; with 1.1 V or less",
                "tap-16; 60; 0.5; yes; At most 30 V AC",
                "primary; 30; 0; no; a secondary 0.20 to 6.0 V",
                "primary; 30; 26; no; a secondary 1.1 to 1.2 V",
                "primary; 31; 26; yes; use 30 V or less",
                "primary; 42; 26; yes; use 30 V or less",
                "primary; 230; 0; yes; use 30 V or less",
                "half-a; 15; 26; no; the whole primary would carry about 30 V",
                "half-a; 20; 26; yes; use 15 V or less",
                "half-b; 6.3; 0; no; about 13 V",
                "screen-a; 1.5; 0; no; the whole primary would carry",
                "screen-b; 6.3; 0; yes; use 1.5 V or less",
            })
    void isRefusedWhereSomethingDangerousWouldStand(
            String lead, double volts, double known, String refused, String words) {
        SafeDrive drive = SafeDrive.of(LoadBench.lead(lead), volts, turns(known));
        assertThat(drive.refusal().isPresent()).as(drive.words()).isEqualTo(refused.equals("yes"));
        assertThat(drive.words()).contains(words);
        assertThat(drive.leastVolts()).isLessThanOrEqualTo(drive.mostVolts());
    }

    /** What a refusal advises is accepted. */
    @Test
    void whatItAdvisesItAccepts() {
        for (String lead : new String[] {"primary", "half-a", "half-b", "screen-a", "tap-4", "tap-8", "tap-16"}) {
            for (double known : new double[] {0, 3, 9.7, 26.07, 49.9, 80}) {
                for (double volts : new double[] {1.2, 6.3, 12, 48, 50.5, 230}) {
                    SafeDrive drive = SafeDrive.of(LoadBench.lead(lead), volts, turns(known));
                    if (drive.refusal().isPresent() && drive.words().contains(" or less")) {
                        double advised = Double.parseDouble(drive.words().replaceAll(".*?([\\d.]+) V or less.*", "$1"));
                        assertThat(SafeDrive.of(LoadBench.lead(lead), advised, turns(known))
                                        .refusal())
                                .as(drive.words())
                                .isEmpty();
                        assertThat(advised).isGreaterThan(0.9 * 30 * volts / Math.max(30, drive.mostVolts()) * 0.1);
                    }
                }
            }
        }
    }

    @Test
    void takesNoDriveOfNothing() {
        assertThatThrownBy(() -> SafeDrive.of(Lead.PRIMARY, 0, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> SafeDrive.of(Lead.PRIMARY, Double.NaN, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
