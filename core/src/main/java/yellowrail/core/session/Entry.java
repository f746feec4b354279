package yellowrail.core.session;

/**
 * An event as recorded.
 *
 * @param id made by the client, so that sending it twice stores once
 * @param at when it happened, milliseconds since 1970, by the client's clock and never later than its receipt
 * @param device which browser it came from
 */
public record Entry(String id, long at, String device, Event event) {}
