package yellowrail.app.lan;

/** The passphrase given at the start cannot be taken; the sentence says why. */
class PassphraseRefused extends RuntimeException {
    PassphraseRefused(String sentence) {
        super(sentence);
    }
}
