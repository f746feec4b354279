package yellowrail.core.load;

import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Readings as they are typed at the bench. */
final class LoadBench {
    private static final Field VOLTS = Field.of("AC volts", Unit.VOLT, Prefix.NONE, 0.001, 1000);

    private LoadBench() {}

    static Typed volts(String text) {
        return MeterText.understand(text, VOLTS).value().orElseThrow();
    }

    static AcReading read(String driven, String drive, String other, String volts, Meter meter) {
        return new AcReading(lead(driven), volts(drive), lead(other), volts(volts), meter);
    }

    static AcReading read(String driven, String drive, String other, String volts) {
        return read(driven, drive, other, volts, Meter.HANDHELD);
    }

    static Lead lead(String id) {
        return Lead.of(id).orElseThrow();
    }
}
