package yellowrail.app.stage;

import java.util.List;

/**
 * A figure with its name and what it means.
 *
 * @param under what it means, in words
 * @param tone over, near, unknown or open; never good: a model is no all-clear
 * @param formula how it is worked out, with this stage's numbers
 * @param bars harmonics 2 to 9, share of the fundamental; empty where they do not belong
 */
record Tile(String name, String figure, String under, String tone, String formula, List<Double> bars) {}
