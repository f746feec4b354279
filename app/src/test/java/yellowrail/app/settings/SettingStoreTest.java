package yellowrail.app.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.core.target.Profiles;

class SettingStoreTest {
    /** Whoever edited a window did not mean the shipped one: until it can be read it is none. */
    @Test
    void anEditedTargetThatCannotBeReadIsNotTheShippedOne() {
        SettingMapper mapper = mock(SettingMapper.class);
        when(mapper.newest("target")).thenReturn(List.of(new SettingRow("middle", "{\"low\":\"x\"}")));
        when(mapper.newest("meter")).thenReturn(List.of());
        SettingStore store = new SettingStore(mapper);
        assertThat(Profiles.SHIPPED).anyMatch(w -> w.name().equals("middle"));
        assertThat(store.windows())
                .hasSize(Profiles.SHIPPED.size() - 1)
                .noneMatch(w -> w.name().equals("middle"));
        assertThat(store.broken()).containsExactly("middle");
    }
}
