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
                "tap-8; 0.9; 0; no; tens of volts there",
                "tap-8; 1; 0; no; 8.0 to 110 V",
                "tap-8; 1.01; 0; yes; at most 1 V goes on the low side",
                "tap-8; 6.3; 0; yes; enough to kill",
                "tap-8; 6.3; 26; yes; At most 50 V AC",
                "tap-8; 1.5; 26; no; 39 V",
                "tap-8; 1.9; 26; no; 49 to 50 V",
                "tap-8; 1.95; 26; yes; with 1.9 V or less",
                "tap-16; 60; 0.5; yes; At most 50 V AC",
                "primary; 30; 0; no; a secondary 0.27 to 3.8 V",
                "primary; 50; 26; no; a secondary about 1.9 V",
                "primary; 51; 26; yes; use 50 V or less",
                "primary; 230; 0; yes; use 50 V or less",
                "half-a; 25; 26; no; the whole primary would carry about 50 V",
                "half-a; 26; 26; yes; use 25 V or less",
                "half-b; 6.3; 0; no; about 13 V",
                "screen-a; 2; 0; no; the whole primary would carry",
                "screen-b; 6.3; 0; yes; use 2.5 V or less",
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
                        assertThat(advised).isGreaterThan(0.9 * 50 * volts / Math.max(50, drive.mostVolts()) * 0.1);
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
