package yellowrail.app.tubes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;

/** A correction that cannot be read is not the figures it corrected. */
class TubeStoreTest {
    private final OwnTypeMapper mapper = mock(OwnTypeMapper.class);
    private final TubeStore store = new TubeStore(mapper, Clock.systemUTC());

    @ParameterizedTest
    @ValueSource(strings = {"EL34", "el 34", "6CA7"})
    void itsTypeIsUnknownByEveryName(String name) {
        assertThat(Catalogue.shipped().find(name)).isInstanceOf(Lookup.Found.class);
        when(mapper.newest()).thenReturn(List.of(new OwnTypeRow("EL34", "{\"designation\":7}")));
        assertThat(store.catalogue().find(name)).isNotInstanceOf(Lookup.Found.class);
        assertThat(store.broken()).containsExactly("EL34");
    }

    @Test
    void theOthersStandAndAnOwnOneThatIsBrokenTakesNothingWithIt() {
        when(mapper.newest()).thenReturn(List.of(new OwnTypeRow("Z1", "{}")));
        assertThat(store.catalogue().find("EL34")).isInstanceOf(Lookup.Found.class);
        assertThat(store.catalogue().types()).hasSameSizeAs(Catalogue.shipped().types());
        assertThat(store.broken()).containsExactly("Z1");
    }
}
