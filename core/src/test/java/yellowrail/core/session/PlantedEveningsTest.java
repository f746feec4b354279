package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.planted.Script;
import yellowrail.planted.Script.Evening;

/** Planted evenings: soaks that must not be proven and honest ones that must be, bypasses of locks and ways that open them. */
class PlantedEveningsTest {
    private static final Path PLANTED = Path.of("src", "test", "resources", "planted");

    static Stream<Evening> soaks() {
        return Script.of(PLANTED.resolve("soaks.txt")).stream();
    }

    static Stream<Evening> locks() {
        return Script.of(PLANTED.resolve("locks.txt")).stream();
    }

    @ParameterizedTest
    @MethodSource("soaks")
    void isProvenOrNot(Evening evening) {
        Evenings played = Evenings.play(evening);
        Proof proof = played.outcome().proof();
        if (evening.outcome().equals("proven")) {
            assertThat(proof.open()).isEmpty();
            assertThat(proof.state()).isEqualTo(Proof.State.PROVEN);
        } else {
            assertThat(evening.outcome()).isEqualTo("unproven");
            assertThat(proof.state()).isNotEqualTo(Proof.State.PROVEN);
            assertThat(proof.open()).isNotEmpty();
        }
    }

    @ParameterizedTest
    @MethodSource("locks")
    void isOpenOrLocked(Evening evening) {
        Evenings played = Evenings.play(evening);
        Locks locks = played.session.locks(played.now);
        String open = (locks.hands() ? "hands+" : "hands-")
                + (locks.tubes() ? " tubes+" : " tubes-")
                + (locks.ohms() ? " ohms+" : " ohms-");
        assertThat(open).as(locks.toString()).isEqualTo(evening.outcome());
        assertThat(locks.handsNext().isEmpty()).isEqualTo(locks.hands());
        assertThat(locks.tubesNext().isEmpty()).isEqualTo(locks.tubes());
        assertThat(locks.ohmsNext().isEmpty()).isEqualTo(locks.ohms());
        assertThat(Session.replay(played.session.plan(), played.session.entries())
                        .fingerprint())
                .isEqualTo(played.session.fingerprint());
    }

    @Test
    void thereAreEnoughOfEach() {
        List<Evening> soaks = soaks().toList();
        assertThat(soaks.stream().filter(e -> e.outcome().equals("proven"))).hasSizeGreaterThanOrEqualTo(40);
        assertThat(soaks.stream().filter(e -> e.outcome().equals("unproven"))).hasSizeGreaterThanOrEqualTo(80);
        List<Evening> locks = locks().toList();
        assertThat(locks.stream().filter(e -> !e.outcome().contains("+"))).hasSizeGreaterThanOrEqualTo(60);
        assertThat(locks.stream().filter(e -> e.outcome().contains("+"))).hasSizeGreaterThanOrEqualTo(25);
    }
}
