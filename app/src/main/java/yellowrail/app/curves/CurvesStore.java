package yellowrail.app.curves;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.json.CoreJson;
import yellowrail.app.json.Fresh;
import yellowrail.app.web.StoredDifferently;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;

/** Curves by designation: a builder's own before the shipped ones. */
@Service
public class CurvesStore {
    private final CurvesMapper mapper;
    private final CoreJson json;
    private final Fresh<Map<String, Curves>> own = new Fresh<>(Map.of(), this::read);

    CurvesStore(CurvesMapper mapper, CoreJson json) {
        this.mapper = mapper;
        this.json = json;
    }

    public Optional<Curves> of(String designation) {
        Curves mine = own.get().get(designation);
        return mine != null
                ? Optional.of(mine)
                : TubeModels.of(designation)
                        .map(m -> new Curves(m, ModelTrust.of(designation).orElseThrow(), "", false));
    }

    /**
     * Keeps own curves; the same id stores once.
     *
     * @throws StoredDifferently when the id holds others
     */
    @Transactional
    public void keep(UUID id, String designation, Curves curves) {
        if (mapper.insert(id, designation, json.write(curves)) == 0) {
            CurvesMapper.Row stored = mapper.one(id);
            if (!stored.designation().equals(designation) || !json.holds(stored.body(), curves, Curves.class)) {
                throw StoredDifferently.now("This fit");
            }
        }
        own.forget();
    }

    private Map<String, Curves> read() {
        return mapper.newest().stream()
                .collect(Collectors.toMap(CurvesMapper.Row::designation, r -> json.read(r.body(), Curves.class)));
    }
}
