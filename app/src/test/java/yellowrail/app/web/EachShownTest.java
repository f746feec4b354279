package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;

class EachShownTest {
    @Test
    void oneThatCannotBeShownIsNamedAndTheOthersStand() {
        EachShown<Integer> each = EachShown.of(List.of("1", "x", "3"), Integer::valueOf, n -> "the number " + n);
        assertThat(each.shown()).containsExactly(1, 3);
        assertThat(each.broken()).containsExactly("the number x");
        assertThat(each.brokenAnd(List.of("another"))).containsExactly("the number x", "another");
    }

    @Test
    void aDatabaseThatDoesNotAnswerIsNoBrokenThing() {
        assertThatThrownBy(() -> EachShown.of(
                        List.of("1"),
                        n -> {
                            throw new DataAccessResourceFailureException("away");
                        },
                        n -> n))
                .isInstanceOf(DataAccessResourceFailureException.class);
    }
}
