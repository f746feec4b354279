package yellowrail.app.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.CannotCreateTransactionException;
import yellowrail.app.json.CoreJson;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target.Window;

/** Target windows and meters: the shipped ones, as edited and added to by the builder. */
@Service
public class SettingStore {
    private static final String WINDOW = "target";
    private static final String METER = "meter";

    private final SettingMapper mapper;
    private final CoreJson json;
    private volatile List<Window> lastWindows = Profiles.SHIPPED;
    private volatile List<Meter> lastMeters = Meter.CLASSES;

    SettingStore(SettingMapper mapper, CoreJson json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** All target windows: the shipped ones in their order, edited where the builder did so, then the builder's own. */
    public List<Window> windows() {
        try {
            Map<String, Window> all = new LinkedHashMap<>();
            Profiles.SHIPPED.forEach(w -> all.put(w.name(), w));
            mapper.newest(WINDOW).forEach(b -> {
                Window window = json.read(b, Window.class);
                all.put(window.name(), window);
            });
            lastWindows = new ArrayList<>(all.values());
        } catch (DataAccessException | CannotCreateTransactionException away) {
            return lastWindows;
        }
        return lastWindows;
    }

    /** All meters: the generic classes, then the builder's own. */
    public List<Meter> meters() {
        try {
            Map<String, Meter> all = new LinkedHashMap<>();
            Meter.CLASSES.forEach(m -> all.put(m.name(), m));
            mapper.newest(METER).forEach(b -> {
                Meter meter = json.read(b, Meter.class);
                all.put(meter.name(), meter);
            });
            lastMeters = new ArrayList<>(all.values());
        } catch (DataAccessException | CannotCreateTransactionException away) {
            return lastMeters;
        }
        return lastMeters;
    }

    public void keep(UUID id, Window window) {
        mapper.insert(id, WINDOW, window.name(), json.write(window));
    }

    public void keep(UUID id, Meter meter) {
        mapper.insert(id, METER, meter.name(), json.write(meter));
    }
}
