package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;

/** A description that becomes another one during a session: a soak counts from then on, and the sheet says so. */
class ChangedDescriptionTest {
    private static final String CHANGED = "The description of this amp was changed.";

    private static Proof proof(Bench bench, Optional<Long> since) {
        bench.standards = new JudgingBasis(
                bench.standards.types(),
                bench.standards.windows(),
                Optional.empty(),
                List.of(new JudgingBasis.Change(CHANGED, since)));
        return bench.outcome().proof();
    }

    private static Bench evening() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        return bench.soaked(31.2, 31.2, 398)
                .enters(Stops.PLAY)
                .ticks(Play.GLOW_IDLE, Play.GLOW_LOUD)
                .closed();
    }

    @Test
    void beforeTheSoakItIsNamedAndNothingMore() {
        Bench bench = evening();
        RecordedReading first = bench.session.last(Quantity.CURRENT, "V1").orElseThrow();
        long soak = proof(bench, Optional.empty()).begunAt().orElseThrow();
        Proof proof = proof(bench, Optional.of(soak - 1));
        assertThat(proof.state()).as(proof.open().toString()).isEqualTo(Proof.State.PROVEN);
        assertThat(proof.again()).containsExactly(CHANGED);
        assertThat(first.at()).isGreaterThan(soak);
    }

    @Test
    void duringTheSoakItBeginsTheSoakAnew() {
        Bench bench = evening();
        Proof proof = proof(
                bench,
                Optional.of(
                        bench.session.last(Quantity.CURRENT, "V1").orElseThrow().at()));
        assertThat(proof.state()).isEqualTo(Proof.State.SET);
        assertThat(proof.open()).anyMatch(w -> w.contains("not watched over a whole soak"));
        assertThat(proof.again()).contains(CHANGED);
    }

    @Test
    void afterTheLastReadingThereIsNoSoakOfIt() {
        Bench bench = evening();
        assertThat(proof(bench, Optional.of(bench.now)).state()).isEqualTo(Proof.State.SET);
    }

    @Test
    void withOtherSocketsNothingOfThisSessionProvesIt() {
        Proof proof = proof(evening(), Optional.empty());
        assertThat(proof.state()).isEqualTo(Proof.State.SET);
        assertThat(proof.open()).contains(CHANGED);
    }
}
