package yellowrail.core.idle;

import java.util.AbstractList;
import java.util.List;
import java.util.function.Supplier;

/**
 * A list whose entries are written when they are looked at. Most of the time of a check would go into wording formulas
 * that nobody opens.
 */
final class LazyList<T> extends AbstractList<T> {
    private final List<Supplier<T>> entries;

    LazyList(List<Supplier<T>> entries) {
        this.entries = List.copyOf(entries);
    }

    @Override
    public T get(int index) {
        return entries.get(index).get();
    }

    @Override
    public int size() {
        return entries.size();
    }
}
