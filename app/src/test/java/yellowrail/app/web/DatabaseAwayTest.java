package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.method.annotation.ExceptionHandlerMethodResolver;

/** However the database goes away under a request, a sentence is the answer: a transaction can fail at its end too. */
class DatabaseAwayTest {
    static Stream<Exception> failures() {
        return Stream.of(
                new DataAccessResourceFailureException("terminating connection due to unexpected postmaster exit"),
                new CannotCreateTransactionException("no connection"),
                new TransactionSystemException("JDBC rollback failed"),
                new TransactionSystemException("JDBC commit failed"));
    }

    @ParameterizedTest
    @MethodSource("failures")
    void isToldByPages(Exception failure) {
        assertThat(new ExceptionHandlerMethodResolver(PageAdvice.class).resolveMethodByThrowable(failure))
                .isNotNull();
        assertThat(ErrorTexts.of(failure).status()).isEqualTo(503);
    }

    @ParameterizedTest
    @MethodSource("failures")
    void isToldAsJson(Exception failure) throws ClassNotFoundException {
        Class<?> advice = Class.forName("yellowrail.app.api.ApiAdvice");
        assertThat(new ExceptionHandlerMethodResolver(advice).resolveMethodByThrowable(failure))
                .isNotNull();
    }
}
