package yellowrail.app.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;

class FreshTest {
    @SuppressWarnings("unchecked")
    private final Supplier<String> load = mock(Supplier.class);

    @Test
    void readsOnceAndAgainOnlyWhenToldOrOld() {
        when(load.get()).thenReturn("one", "two");
        Fresh<String> fresh = new Fresh<>("initial", load);
        assertThat(fresh.get()).isEqualTo("one");
        assertThat(fresh.get()).isEqualTo("one");
        verify(load, times(1)).get();
        fresh.forget();
        assertThat(fresh.get()).isEqualTo("two");
    }

    @Test
    void servesWhatItKnewWhileTheDatabaseIsAwayAndDoesNotKeepAsking() {
        when(load.get()).thenThrow(new DataAccessResourceFailureException("away"));
        Fresh<String> fresh = new Fresh<>("initial", load);
        assertThat(fresh.get()).isEqualTo("initial");
        assertThat(fresh.get()).isEqualTo("initial");
        verify(load, times(1)).get();
    }
}
