package yellowrail.app.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;

class LastKnownTest {
    @SuppressWarnings("unchecked")
    private final Supplier<String> load = mock(Supplier.class);

    @Test
    void readsOnceAndAgainOnlyWhenToldOrOld() {
        when(load.get()).thenReturn("one", "two");
        LastKnown<String> fresh = new LastKnown<>("initial", load);
        assertThat(fresh.get()).isEqualTo("one");
        assertThat(fresh.get()).isEqualTo("one");
        verify(load, times(1)).get();
        fresh.forget();
        assertThat(fresh.get()).isEqualTo("two");
    }

    @Test
    void servesWhatItKnewWhileTheDatabaseIsAwayAndDoesNotKeepAsking() {
        when(load.get()).thenThrow(new DataAccessResourceFailureException("away"));
        LastKnown<String> fresh = new LastKnown<>("initial", load);
        assertThat(fresh.get()).isEqualTo("initial");
        assertThat(fresh.get()).isEqualTo("initial");
        verify(load, times(1)).get();
    }

    @Test
    void aSlowDatabaseIsNotWaitedForAndCountsWhenItAnswers() throws Exception {
        CountDownLatch slow = new CountDownLatch(1);
        AtomicInteger asked = new AtomicInteger();
        LastKnown<String> fresh = new LastKnown<>("initial", () -> {
            asked.incrementAndGet();
            try {
                slow.await();
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
            }
            return "read";
        });
        assertThat(fresh.get()).isEqualTo("initial");
        assertThat(fresh.get()).isEqualTo("initial");
        assertThat(asked.get()).isEqualTo(1);
        slow.countDown();
        while (fresh.get().equals("initial")) {
            Thread.onSpinWait();
        }
        assertThat(fresh.get()).isEqualTo("read");
    }

    @Test
    void whatWasChangedWhileItWasBeingReadIsReadAgain() {
        AtomicInteger stored = new AtomicInteger(1);
        LastKnown<Integer>[] fresh = new LastKnown[1];
        fresh[0] = new LastKnown<>(0, () -> {
            int read = stored.get();
            if (read == 1) {
                stored.set(2);
                fresh[0].forget();
            }
            return read;
        });
        fresh[0].get();
        assertThat(fresh[0].get()).isEqualTo(2);
    }

    @Test
    void whatIsBrokenIsSaid() {
        LastKnown<String> fresh = new LastKnown<>("initial", () -> {
            throw new IllegalStateException("stored wrongly");
        });
        assertThatThrownBy(fresh::get).hasMessage("stored wrongly");
    }
}
