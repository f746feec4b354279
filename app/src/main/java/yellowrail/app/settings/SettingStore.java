package yellowrail.app.settings;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import yellowrail.app.json.LastKnown;
import yellowrail.app.store.Once;
import yellowrail.app.store.Shape;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.web.EachShown;
import yellowrail.core.reading.Meter;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target.Window;

/** Target windows and meters: the shipped ones, as edited and added to by the builder. */
@Service
public class SettingStore {
    private static final String WINDOW = "target";
    private static final String METER = "meter";

    private final SettingMapper mapper;
    private final LastKnown<List<Window>> windows;
    private final LastKnown<List<String>> broken = new LastKnown<>(List.of(), this::readBroken);
    private final LastKnown<List<Meter>> meters;

    SettingStore(SettingMapper mapper) {
        this.mapper = mapper;
        // Read at the start, so that a shipped window never stands in for an edited one while the database is slow.
        this.windows = new LastKnown<>(readWindows(), this::readWindows);
        this.meters = new LastKnown<>(readMeters(), this::readMeters);
    }

    /** All target windows: the shipped ones in their order, edited where the builder did so, then the builder's own. */
    public List<Window> windows() {
        return windows.get();
    }

    /** Names an amp may choose its target from: the windows, and the one computed for its own stage. */
    public List<String> targetNames() {
        List<String> names =
                new java.util.ArrayList<>(windows().stream().map(Window::name).toList());
        names.add(ComputedTarget.NAME);
        return List.copyOf(names);
    }

    /** All meters: the generic classes, then the builder's own. */
    public List<Meter> meters() {
        return meters.get();
    }

    private List<Window> readWindows() {
        return newest(WINDOW, StoredShapes.WINDOW, Profiles.SHIPPED, Window::name);
    }

    private List<Meter> readMeters() {
        return newest(METER, StoredShapes.METER, Meter.CLASSES, Meter::name);
    }

    private <T> List<T> newest(String kind, Shape<T> shape, List<T> shipped, Function<T, String> name) {
        Map<String, T> all = new LinkedHashMap<>();
        shipped.forEach(s -> all.put(name.apply(s), s));
        EachShown<T> own = EachShown.of(mapper.newest(kind), r -> shape.read(r.body()), SettingRow::name);
        own.shown().forEach(s -> all.put(name.apply(s), s));
        // An edited one that cannot be read is not the shipped one of that name.
        own.broken().forEach(all::remove);
        return List.copyOf(all.values());
    }

    /** Names of targets and meters that cannot be read, as last known. */
    List<String> broken() {
        return broken.get();
    }

    private List<String> readBroken() {
        return Stream.of(
                        EachShown.of(mapper.newest(WINDOW), r -> StoredShapes.WINDOW.read(r.body()), SettingRow::name),
                        EachShown.of(mapper.newest(METER), r -> StoredShapes.METER.read(r.body()), SettingRow::name))
                .flatMap(e -> e.broken().stream())
                .toList();
    }

    public void keep(UUID id, Window window) {
        keep(id, WINDOW, window.name(), window, StoredShapes.WINDOW);
        windows.forget();
    }

    public void keep(UUID id, Meter meter) {
        keep(id, METER, meter.name(), meter, StoredShapes.METER);
        meters.forget();
    }

    private <T> void keep(UUID id, String kind, String name, T value, Shape<T> shape) {
        Once.keep(
                () -> mapper.insert(id, kind, name, shape.write(value)),
                Optional.of(value),
                () -> Optional.ofNullable(mapper.body(id, kind)).map(shape::read),
                v -> v.map(shape::write),
                () -> StoredDifferently.now("This setting"));
    }
}
