package yellowrail.app.curves;

import static yellowrail.app.store.StoredShapes.CURVES;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.json.LastKnown;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TypeCurves;

/** Curves by designation: a builder's own before the shipped ones. */
@Service
public class CurvesStore {
    private final CurvesMapper mapper;
    private final LastKnown<Map<String, TypeCurves>> own = new LastKnown<>(Map.of(), this::read);

    CurvesStore(CurvesMapper mapper) {
        this.mapper = mapper;
    }

    public Optional<TypeCurves> of(String designation) {
        TypeCurves mine = own.get().get(designation);
        return mine != null
                ? Optional.of(mine)
                : TubeModels.of(designation)
                        .map(m -> new TypeCurves(m, ModelTrust.of(designation).orElseThrow(), "", false));
    }

    /**
     * Keeps own curves; the same id stores once.
     *
     * @throws StoredDifferently when the id holds others
     */
    @Transactional
    public void keep(UUID id, String designation, TypeCurves curves) {
        CurvesMapper.Row sent = new CurvesMapper.Row(designation, CURVES.write(curves));
        Once.keep(
                () -> mapper.insert(id, sent.designation(), sent.body()),
                sent,
                () -> mapper.one(id),
                row -> List.of(row.designation(), CURVES.same(row.body())),
                () -> StoredDifferently.now("This fit"));
        own.forget();
    }

    private Map<String, TypeCurves> read() {
        return mapper.newest().stream()
                .collect(Collectors.toMap(CurvesMapper.Row::designation, r -> CURVES.read(r.body())));
    }
}
