package yellowrail.app.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/**
 * Many things, each shown by itself: one that cannot be shown is named instead, and the others stand.
 *
 * @param shown those that can be shown, in order
 * @param broken names of the others
 */
public record EachShown<T>(List<T> shown, List<String> broken) {
    private static final Logger log = LoggerFactory.getLogger(EachShown.class);

    public EachShown {
        shown = List.copyOf(shown);
        broken = List.copyOf(broken);
    }

    /**
     * @param name what is said of one that cannot be shown
     * @throws DataAccessException when it is the database that does not answer
     */
    public static <R, T> EachShown<T> of(List<R> all, Function<R, T> show, Function<R, String> name) {
        List<T> shown = new ArrayList<>();
        List<String> broken = new ArrayList<>();
        for (R one : all) {
            Optional<T> view = view(one, show);
            view.ifPresentOrElse(shown::add, () -> broken.add(name.apply(one)));
        }
        return new EachShown<>(shown, broken);
    }

    private static <R, T> Optional<T> view(R one, Function<R, T> show) {
        try {
            return Optional.of(show.apply(one));
        } catch (DataAccessException | TransactionException away) {
            throw away;
        } catch (RuntimeException problem) {
            log.warn("Cannot be shown: {}: {}", one, problem.toString());
            return Optional.empty();
        }
    }

    /** This one's names of what cannot be shown, and another's. */
    public List<String> brokenAnd(List<String> others) {
        List<String> all = new ArrayList<>(broken);
        all.addAll(others);
        return all;
    }
}
