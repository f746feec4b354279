package yellowrail.core.idle;

/**
 * A likely slip behind an implausible result.
 *
 * @param question the question to the builder, both results in it
 * @param instead what to type instead, or empty when it is not the typed number that would change
 */
public record Slip(String question, String instead) {}
