package yellowrail.app.lan;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in one sentence why the application did not start, without a stack trace. */
class PassphraseRefusedAnalyzer extends AbstractFailureAnalyzer<PassphraseRefused> {
    @Override
    protected FailureAnalysis analyze(Throwable root, PassphraseRefused refused) {
        return new FailureAnalysis(refused.getMessage(), "Give another one in YR_PASSPHRASE.", refused);
    }
}
