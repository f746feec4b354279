package yellowrail.planted;

import java.util.Map;

/**
 * One entry of a planted evening.
 *
 * @param id the entry's id
 * @param at milliseconds since the evening began, by the server's clock
 * @param device which device it comes from
 * @param kind as in the JSON interface
 * @param fields as in the JSON interface
 * @param tried whether it may be refused: a slip, or an attempt to get past a lock
 */
public record Step(String id, long at, String device, String kind, Map<String, String> fields, boolean tried) {}
