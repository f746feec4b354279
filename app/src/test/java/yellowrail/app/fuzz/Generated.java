package yellowrail.app.fuzz;

import java.util.List;
import java.util.Map;
import java.util.Random;
import yellowrail.core.round.Quantity;

/** What generated things are made of: words and figures, possible, extreme or nonsense. */
abstract class Generated {
    protected final Random random;
    protected final Nasty nasty;
    /** One figure in so many is out of the way. */
    protected int calm = 20;

    Generated(Random random, Nasty nasty) {
        this.random = random;
        this.nasty = nasty;
    }

    protected <T> T one(List<T> of) {
        return nasty.one(of);
    }

    protected <E extends Enum<E>> String name(Class<E> type) {
        return name(List.of(type.getEnumConstants()));
    }

    /** One of these by its word, seldom nonsense. */
    protected String name(List<?> all) {
        return nasty.sometimes(60)
                ? nasty.text()
                : all.get(random.nextInt(all.size())).toString();
    }

    /** Words of any kind, often plain ones. */
    protected String words() {
        return switch (random.nextInt(4)) {
            case 0 -> nasty.text();
            case 1 -> "";
            default -> "words " + random.nextInt(1000);
        };
    }

    /** A figure about so large; now and then a hundred times as much, nothing, or nonsense. */
    protected String figure(double usual, String unit) {
        double value = switch (random.nextInt(calm)) {
            case 0 -> usual * 100;
            case 1 -> usual / 100;
            case 2 -> -usual;
            case 3 -> 0;
            case 4 -> usual * Math.pow(10, random.nextInt(13) - 6);
            default -> usual * (0.5 + random.nextDouble());
        };
        String text = String.format(java.util.Locale.ROOT, "%." + random.nextInt(5) + "f", value);
        return nasty.sometimes(2 * calm) ? nasty.text() : nasty.sometimes(3) ? text : text + " " + unit;
    }

    protected String perhaps(double usual, String unit) {
        return nasty.sometimes(3) ? "" : figure(usual, unit);
    }

    protected String json(Map<String, ?> map) {
        StringBuilder json = new StringBuilder("{");
        map.forEach((name, value) -> json.append(json.length() == 1 ? "" : ",")
                .append(Nasty.quoted(name))
                .append(":")
                .append(value(value)));
        return json.append("}").toString();
    }

    @SuppressWarnings("unchecked")
    protected String value(Object value) {
        if (value instanceof Map<?, ?> map) {
            return json((Map<String, ?>) map);
        }
        if (value instanceof List<?> list) {
            StringBuilder json = new StringBuilder("[");
            list.forEach(v -> json.append(json.length() == 1 ? "" : ",").append(value(v)));
            return json.append("]").toString();
        }
        return value instanceof String text ? Nasty.quoted(text) : String.valueOf(value);
    }

    protected String reading(Quantity quantity) {
        return switch (quantity.field().unit()) {
            case VOLT ->
                figure(quantity == Quantity.MAINS ? 230 : quantity.field().high() / 3, "V");
            case OHM -> figure(10, "Ω");
            default -> nasty.sometimes(2) ? figure(38, "mA") : figure(380, "mV");
        };
    }
}
