package yellowrail.app.amps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.store.StoredShapes;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.tube.Catalogue;

class AmpStoreTest {
    private final AmpMapper mapper = mock(AmpMapper.class);
    private final AmpStore store = new AmpStore(mapper, Clock.systemUTC());
    private final UUID amp = UUID.randomUUID();
    private final UUID press = UUID.randomUUID();

    private static AmpDescription described(String name) {
        return AmpReader.read(
                        TypedAmp.with(
                                AmpForms.empty(),
                                Map.of("name", name, "socketType", List.of("6L6GC", "6L6GC"), "nodeLabel", List.of())),
                        Catalogue.shipped(),
                        List.of())
                .description()
                .orElseThrow();
    }

    private AmpRow row(AmpDescription description) {
        return new AmpRow(amp, 2, StoredShapes.AMP.write(description), OffsetDateTime.now());
    }

    /** A double click: the first press is stored after the second has looked, and before it asks for the newest version. */
    @Test
    void theSamePressTwiceIsStoredOnceAndRefusedNever() {
        AmpDescription sent = described("Godwit 30");
        AmpRow stored = row(sent);
        when(mapper.byVersionId(press)).thenReturn(Optional.empty(), Optional.of(stored));
        when(mapper.newestOf(amp)).thenReturn(Optional.of(stored));
        assertThat(store.keep(press, amp, 1, sent)).isEqualTo(new Amp(amp, 2, sent));
        verify(mapper, never()).insertVersion(any(), any(), anyInt(), any(), any(), any());
    }

    @Test
    void anotherVersionMeanwhileIsStillRefused() {
        when(mapper.byVersionId(press)).thenReturn(Optional.empty());
        when(mapper.newestOf(amp)).thenReturn(Optional.of(row(described("Godwit 30"))));
        assertThatThrownBy(() -> store.keep(press, amp, 1, described("Godwit 31")))
                .isInstanceOf(AmpStore.ChangedMeanwhile.class);
    }

    /** The same press with other content is no double click. */
    @Test
    void otherContentUnderTheSamePressIsRefused() {
        AmpRow stored = row(described("Godwit 30"));
        when(mapper.byVersionId(press)).thenReturn(Optional.empty(), Optional.of(stored));
        when(mapper.newestOf(amp)).thenReturn(Optional.of(stored));
        assertThatThrownBy(() -> store.keep(press, amp, 1, described("Godwit 31")))
                .isInstanceOf(AmpStore.ChangedMeanwhile.class);
    }
}
