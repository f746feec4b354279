package yellowrail.core.idle;

/** A computed figure opened: the formula in symbols, with the builder's numbers in it, and the result. */
public record Formula(String name, String symbols, String numbers, String result) {}
