package yellowrail.app.swap;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.core.swap.SwapSheet;

/** Swaps for programs. */
@Component
public class SwapAnswers {
    private final SwapReader reader;
    private final SwapSheets sheets;

    SwapAnswers(SwapReader reader, SwapSheets sheets) {
        this.reader = reader;
        this.sheets = sheets;
    }

    /** @throws Refused when anything is not understood: no sheet stands on half of what was asked */
    public List<SwapSheet> answered(OnStage form) {
        SwapReader.Read read = reader.read(form);
        if (!read.said().isEmpty()) {
            throw new Refused(read.said());
        }
        return sheets.of(List.copyOf(read.asked().values()));
    }

    /** What was typed is not understood. */
    public static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient Map<String, FieldErrors.Complaint> said;

        Refused(Map<String, FieldErrors.Complaint> said) {
            super("not understood: " + said.keySet());
            this.said = Map.copyOf(said);
        }

        /** Sentences by field. */
        public Map<String, FieldErrors.Complaint> said() {
            return said;
        }
    }
}
