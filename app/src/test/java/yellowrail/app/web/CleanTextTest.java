package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import yellowrail.app.text.CleanText;

class CleanTextTest {
    @Test
    void whatCannotBeShownGoesAndTheRestStays() {
        assertThat(CleanText.of("a\u0000b\fc\u001b[0m\u007f\u0085")).isEqualTo("abc[0m");
        assertThat(CleanText.of("x\ud800y\udc00z\ufffe\uffff\ufdd0")).isEqualTo("xyz");
        assertThat(CleanText.of("safe \u202egnp.exe\u202c \u2066x\u2069")).isEqualTo("safe gnp.exe x");
        String fine = "Ω µ −38,2 V · 6V6GT 日本 😀\tone\r\ntwo";
        assertThat(CleanText.of(fine)).isSameAs(fine);
        assertThat(CleanText.of(null)).isNull();
        assertThat(CleanText.line("one\r\ntwo\tthree\u2028four")).isEqualTo("one two three four");
        assertThat(CleanText.line(null)).isNull();
    }

    @ParameterizedTest
    @CsvSource({
        "53100, 507, full",
        "22021, 422, cannot be stored",
        "23505, 422, cannot be stored",
        "08006, 503, does not answer",
        "57P01, 503, does not answer",
        "53300, 503, does not answer"
    })
    void aFailedStatementIsToldAsWhatItIs(String state, int status, String words) {
        var told = ErrorTexts.of(new DataIntegrityViolationException("x", new SQLException("x", state)));
        assertThat(told.status()).isEqualTo(status);
        assertThat(told.sentence()).contains(words);
    }

    @Test
    void withoutAStateTheDatabaseDoesNotAnswer() {
        assertThat(ErrorTexts.of(new DataAccessResourceFailureException("timeout"))
                        .status())
                .isEqualTo(503);
    }
}
