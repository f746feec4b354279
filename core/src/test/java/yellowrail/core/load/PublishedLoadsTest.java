package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;

class PublishedLoadsTest {
    /** What a builder would know: whose transformer this is. */
    @ParameterizedTest
    @CsvSource({
        // within what is published, or near it
        "EL34, PUSH_PULL, PENTODE, 1, 3400, ''",
        "EL34, PUSH_PULL, PENTODE, 1, 4300, ''",
        "EL34, PUSH_PULL, PENTODE, 1, 6600, ''",
        "6L6GC, PUSH_PULL, PENTODE, 1, 4200, ''",
        "6L6GC, PUSH_PULL, PENTODE, 1, 6600, ''",
        "6V6GT, PUSH_PULL, PENTODE, 1, 8000, ''",
        "6V6GT, SINGLE_ENDED, PENTODE, 1, 5000, ''",
        // two on each side: half the load
        "6L6GC, PUSH_PULL, PENTODE, 2, 2200, ''",
        "EL34, PUSH_PULL, PENTODE, 2, 1700, ''",
        // other tubes' transformers
        "6V6GT, PUSH_PULL, PENTODE, 1, 3400, EL34",
        "EL84, PUSH_PULL, PENTODE, 1, 3500, EL34",
        "6V6GT, PUSH_PULL, PENTODE, 1, 4200, KT88",
        "EL84, SINGLE_ENDED, PENTODE, 1, 2500, 6L6GC",
        "6550, SINGLE_ENDED, PENTODE, 1, 5200, EL84",
        "6L6GC, PUSH_PULL, PENTODE, 2, 8000, 2 × 6V6GT",
        "6L6GC, PUSH_PULL, PENTODE, 1, 25000, nothing",
        "EL84, PUSH_PULL, PENTODE, 2, 8000, 6V6GT",
    })
    void belongsToOtherTubes(
            String type, Topology topology, Connection connection, int onEachSide, double ohms, String named) {
        var said = PublishedLoads.otherTubes(type, connection, topology, onEachSide, ohms, ohms);
        if (named.isEmpty()) {
            assertThat(said).isEmpty();
        } else {
            assertThat(said.orElseThrow().sentence())
                    .contains("it belongs to other tubes")
                    .contains(named.equals("nothing") ? "No published operation" : named);
        }
    }

    /** Nothing published for a type, nothing said; an error that reaches what is published takes the sentence away. */
    @Test
    void saysNothingItDoesNotKnow() {
        assertThat(PublishedLoads.otherTubes("X19", Connection.PENTODE, Topology.PUSH_PULL, 1, 900, 900))
                .isEmpty();
        assertThat(PublishedLoads.otherTubes("6V6GT", Connection.PENTODE, Topology.PUSH_PULL, 1, 4900, 4900))
                .isPresent();
        assertThat(PublishedLoads.otherTubes("6V6GT", Connection.PENTODE, Topology.PUSH_PULL, 1, 4900, 5050))
                .isEmpty();
    }

    @Test
    void nearestFirstAndEachTypeOnce() {
        var near = PublishedLoads.near(8000, Topology.PUSH_PULL);
        assertThat(near).hasSizeLessThanOrEqualTo(4);
        assertThat(near.stream().map(l -> l.operation().type()).toList())
                .doesNotHaveDuplicates()
                .contains("EL84", "6V6GT");
        assertThat(near.get(0).ohms()).isEqualTo(8000);
        assertThat(near.get(0).words())
                .contains("2 × ")
                .contains("push-pull at")
                .contains("8 kΩ");
        assertThat(PublishedLoads.near(4000, Topology.PUSH_PULL).stream()
                        .map(PublishedLoads.Load::ohms)
                        .toList())
                .allSatisfy(ohms -> assertThat(ohms).isBetween(3400.0, 4600.0));
    }
}
