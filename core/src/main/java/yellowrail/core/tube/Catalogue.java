package yellowrail.core.tube;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Finds tube types by designation or alias. A builder's own entry of the same designation goes before a shipped one. */
public final class Catalogue {
    private static final Catalogue SHIPPED = new Catalogue(List.of());

    private final Map<String, TubeType> byDesignation = new LinkedHashMap<>();
    private final Map<String, TubeType> byName = new LinkedHashMap<>();

    private Catalogue(List<TubeType> own) {
        for (TubeType type : PublishedTypes.all()) {
            byDesignation.put(normalise(type.designation()), type);
        }
        for (TubeType type : own) {
            byDesignation.put(normalise(type.designation()), type);
        }
        for (TubeType type : byDesignation.values()) {
            type.aliases().stream()
                    .map(Catalogue::normalise)
                    .filter(a -> PublishedTypes.family(a).isEmpty())
                    .forEach(a -> byName.putIfAbsent(a, type));
        }
        byName.putAll(byDesignation);
    }

    /** The shipped types only. */
    public static Catalogue shipped() {
        return SHIPPED;
    }

    /** The shipped types with a builder's own and corrected ones. */
    public static Catalogue with(List<TubeType> own) {
        return own.isEmpty() ? SHIPPED : new Catalogue(own);
    }

    /** The same without some types, whose figures are not known for now: their names mean nothing. */
    public Catalogue without(List<String> designations) {
        if (designations.isEmpty()) {
            return this;
        }
        Catalogue rest = new Catalogue(types());
        for (String designation : designations) {
            TubeType gone = rest.byDesignation.remove(normalise(designation));
            rest.byName.values().removeIf(t -> t.equals(gone));
            rest.byName.remove(normalise(designation));
        }
        return rest;
    }

    /** Whether a name stands for a family of types with different ratings: it never becomes the name of one type. */
    public static boolean isFamily(String name) {
        return PublishedTypes.family(normalise(name)).isPresent();
    }

    /** The shipped type that a name means, whatever a builder corrected. */
    public static Optional<TubeType> shippedType(String name) {
        return SHIPPED.find(name) instanceof Lookup.Found found ? Optional.of(found.type()) : Optional.empty();
    }

    /** All types in catalogue order. */
    public List<TubeType> types() {
        return List.copyOf(byDesignation.values());
    }

    /** Looks up what is printed on a tube; case, spaces, dots, dashes and slashes do not matter. */
    public Lookup find(String typed) {
        String name = normalise(typed);
        var family = PublishedTypes.family(name);
        if (family.isPresent()) {
            return new Lookup.WhichVariant(
                    typed.strip(),
                    family.get().stream().map(d -> byName.get(normalise(d))).toList());
        }
        TubeType exact = byName.get(name);
        if (exact != null) {
            return new Lookup.Found(exact);
        }
        for (TubeType type : byDesignation.values()) {
            for (var relative : type.related().entrySet()) {
                if (normalise(relative.getKey()).equals(name)) {
                    return new Lookup.Relative(relative.getKey(), type, relative.getValue());
                }
            }
        }
        return new Lookup.Unknown(typed.strip(), startingWith(typed));
    }

    /** Types whose designation or alias begins with the typed text, for the type-ahead list. */
    public List<TubeType> startingWith(String typed) {
        String name = normalise(typed);
        List<TubeType> near = new ArrayList<>();
        if (name.isEmpty()) {
            return near;
        }
        for (var entry : byName.entrySet()) {
            if (entry.getKey().startsWith(name) && !near.contains(entry.getValue())) {
                near.add(entry.getValue());
            }
        }
        return near;
    }

    private static String normalise(String name) {
        return name.toUpperCase(Locale.ROOT).replaceAll("[\\s./_-]", "");
    }
}
