package yellowrail.app.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CsvCellsTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "=1+1",
                "+44 7",
                "@cmd",
                "\t=1",
                "-1+1",
                "-x",
                "--1",
                "'=1",
                "''@x",
                "=cmd|' /C calc'!A0",
                "-",
                "-1.2.3",
                "\r=1"
            })
    void whatASpreadsheetWouldRunIsMarkedAndReadBack(String text) {
        String written = CsvCells.safe(text);
        assertThat(written).isEqualTo("'" + text);
        assertThat(CsvCells.plain(written)).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "38.6 mV", "-38", "-0.5", "−38 V", "'quoted'", "'", "V1", "a=b", "1-2"})
    void otherTextsAndNumbersStay(String text) {
        assertThat(CsvCells.safe(text)).isEqualTo(text);
        assertThat(CsvCells.plain(text)).isEqualTo(text);
    }

    @Test
    void aLineIsReadBackEqual() throws IOException {
        List<String> cells = List.of("=HYPERLINK(\"x\")", "two\nlines", "-38", "a, b", "'+1");
        StringBuilder text = new StringBuilder();
        try (CSVPrinter out = new CSVPrinter(text, CSVFormat.RFC4180)) {
            out.printRecord(CsvCells.safe(cells));
        }
        List<String> back = CSVFormat.RFC4180.parse(new StringReader(text.toString())).getRecords().get(0).stream()
                .map(CsvCells::plain)
                .toList();
        assertThat(back).isEqualTo(cells);
        assertThat(CsvCells.safe(Arrays.asList("x", null, 3))).isEqualTo(List.of("x", "", 3));
    }
}
