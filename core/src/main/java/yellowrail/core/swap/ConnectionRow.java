package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.swap.Chassis.Output;

/** Where the screens would be fed from, when that changes. */
final class ConnectionRow {
    private ConnectionRow() {}

    static Optional<SwapRow> of(SwapQuestion question) {
        SwapCandidate candidate = question.candidate();
        if (candidate.connection() == question.present().setting().described().connection()) {
            return Optional.empty();
        }
        return Optional.of(
                switch (candidate.connection()) {
                    case ULTRALINEAR -> ultralinear(question);
                    case TRIODE ->
                        row(
                                SwapVerdict.NOTE,
                                "The screens go to the plates, through their resistors: they then stand at plate volts, and"
                                        + " the power falls.");
                    case PENTODE ->
                        row(
                                SwapVerdict.NOTE,
                                "The screens go to their supply, through their resistors: computed as fed from B+ through"
                                        + " the stage's feed.");
                });
    }

    private static SwapRow ultralinear(SwapQuestion question) {
        String taps = "taps at " + Show.plain(100 * question.candidate().tap(), 2) + " %";
        Optional<Boolean> there = question.chassis().part(Output.class).screenTaps();
        if (there.isEmpty()) {
            return row(
                            SwapVerdict.UNKNOWN,
                            "Ultralinear takes " + taps
                                    + " on the output transformer: whether it has them is not answered.")
                    .mend("Look for two more leads at the primary, and measure where they lie on the load page.");
        }
        return there.get()
                ? row(SwapVerdict.NOTE, "The screens go to the transformer's " + taps + ", through their resistors.")
                : row(SwapVerdict.FAIL, "Ultralinear takes " + taps + " on the output transformer, and it has none.")
                        .mend("Another output transformer, or another connection.");
    }

    private static SwapRow row(SwapVerdict verdict, String reason) {
        return SwapRow.of(Criterion.CONNECTION, verdict, reason);
    }
}
