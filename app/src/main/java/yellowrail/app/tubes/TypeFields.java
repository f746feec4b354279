package yellowrail.app.tubes;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Base;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PinFunction;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.PublishedLimits;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;

/** The fields of a tube type of one's own; a blank is unknown. Its limits are those that a publication may give. */
final class TypeFields {
    private static final int DIGITS = 6;

    static final FieldSpec<String> DESIGNATION = FieldSpec.plain("designation", "Designation");
    static final FieldSpec<String> ALIASES = FieldSpec.plain("aliases", "Exact equivalents");
    static final FieldSpec<TubeKind> KIND = FieldSpec.pick(
            "kind",
            "Kind",
            pick(TubeKind.UNKNOWN, "not known"),
            pick(TubeKind.BEAM_TETRODE, "beam tetrode"),
            pick(TubeKind.PENTODE, "pentode"),
            pick(TubeKind.TRIODE, "triode"));
    static final FieldSpec<String> SOURCE = FieldSpec.plain("source", "Where the figures come from");
    static final FieldSpec<RatingSystem> SYSTEM = FieldSpec.pick(
            "system",
            "Rating system",
            pick(RatingSystem.UNSTATED, "not stated"),
            pick(RatingSystem.DESIGN_CENTRE, "design centre"),
            pick(RatingSystem.DESIGN_MAXIMUM, "design maximum"),
            pick(RatingSystem.ABSOLUTE, "absolute"));
    /** One for each limit. */
    static final Map<PublishedLimit, FieldSpec<Optional<Figure>>> LIMITS = limits();
    /** The limits that a sheet can be known not to give, but the plate's watts, which everything is compared with. */
    static final List<PublishedLimit> DECLARED = PublishedLimits.ALL.stream()
            .filter(l -> l.printed().declared() && l != Limit.PLATE_WATTS)
            .toList();

    static final FieldSpec<Set<PublishedLimit>> NONE = FieldSpec.text(
            "none",
            "The sheet publishes no limit of",
            "",
            TypeFields::none,
            value -> value.stream().map(l -> l.printed().key()).collect(Collectors.joining(" ")));
    static final FieldSpec<Optional<Figure>> HEATER_VOLTS = figure(
                    "heaterVolts", "Heater, V", field(Unit.VOLT, Prefix.NONE, 1, 60))
            .usually("6.3");
    static final FieldSpec<Optional<Figure>> HEATER_AMPERES =
            figure("heaterAmperes", "Heater, A", field(Unit.AMPERE, Prefix.NONE, 0.05, 20));

    private static final Field SHARE_FIELD = Field.of("a screen share", Unit.PERCENT, Prefix.NONE, 0.5, 50);
    static final FieldSpec<Optional<Typed>> SHARE =
            FieldSpec.reading("share", "Screen share of cathode current, %", SHARE_FIELD);
    static final FieldSpec<Optional<Typed>> BAND = FieldSpec.reading("band", "± points", SHARE_FIELD);
    static final FieldSpec<Optional<Figure>> TRANSCONDUCTANCE =
            figure("transconductance", "Transconductance, mA/V", field(Unit.SIEMENS, Prefix.MILLI, 0.1e-3, 100e-3));
    static final FieldSpec<Optional<Base>> BASE = word("base", "Base", "not known", PinsText.BASES, Base::words);
    static final FieldSpec<Optional<PinFunction>> CAP =
            word("cap", "Cap on top", "none", PinsText.FUNCTIONS, PinFunction::words);
    static final FieldSpec<String> PINS = FieldSpec.plain("pins", "Pins, each with what it is");

    /** All of them, in the order they are asked. */
    static final List<FieldSpec<?>> ALL = FieldSpec.all(
            List.of(DESIGNATION, ALIASES, KIND, SOURCE, SYSTEM),
            List.copyOf(LIMITS.values()),
            List.of(HEATER_VOLTS, HEATER_AMPERES, SHARE, BAND, TRANSCONDUCTANCE, BASE, CAP, PINS, NONE));

    private TypeFields() {}

    /** An entry as it stands, with its strictest publication, to be corrected. */
    static Answers of(TubeType type) {
        Answers answers = Answers.usual(ALL)
                .known(DESIGNATION, type.designation())
                .known(ALIASES, String.join(", ", type.aliases()))
                .known(KIND, type.kind())
                .known(HEATER_VOLTS, type.heaterVolts())
                .known(HEATER_AMPERES, type.heaterAmperes())
                .known(TRANSCONDUCTANCE, type.transconductance())
                .known(BASE, type.pinout().map(Pinout::base))
                .known(CAP, type.pinout().flatMap(Pinout::cap))
                .known(PINS, type.pinout().map(PinsText::of).orElse(""));
        if (type.screenShare().isPresent()) {
            answers = answers.said(SHARE, percent(type.screenShare().get().share()))
                    .said(BAND, percent(type.screenShare().get().band()));
        }
        if (type.strictest().isPresent()) {
            Ratings r = type.strictest().get();
            answers = answers.known(SYSTEM, r.system()).known(NONE, r.nonePublished());
            for (Map.Entry<PublishedLimit, FieldSpec<Optional<Figure>>> limit : LIMITS.entrySet()) {
                answers = answers.known(limit.getValue(), r.figure(limit.getKey()));
            }
        }
        // What is sent back is texts: only those are read.
        return Answers.usual(ALL).said(answers::text);
    }

    private static String percent(double share) {
        return Show.plain(100 * share, DIGITS);
    }

    private static <T extends Enum<T>> Pick<T> pick(T value, String words) {
        return new Pick<>(value.name(), words, value);
    }

    private static <T> FieldSpec<Optional<T>> word(
            String name, String label, String blank, Map<String, T> words, Function<T, String> said) {
        @SuppressWarnings({"unchecked", "rawtypes"})
        Pick<Optional<T>>[] picks = Stream.concat(
                        Stream.of(new Pick<>("", blank, Optional.<T>empty())),
                        words.entrySet().stream()
                                .map(e -> new Pick<>(e.getKey(), said.apply(e.getValue()), Optional.of(e.getValue()))))
                .toArray(Pick[]::new);
        return FieldSpec.pick(name, label, picks);
    }

    private static Map<PublishedLimit, FieldSpec<Optional<Figure>>> limits() {
        Map<PublishedLimit, FieldSpec<Optional<Figure>>> fields = new LinkedHashMap<>();
        for (PublishedLimit limit : PublishedLimits.ALL) {
            Field field = limit.printed().field();
            String label = Character.toUpperCase(limit.label().charAt(0))
                    + limit.label().substring(1) + ", " + field.shownUnit();
            fields.put(limit, figure(limit.printed().key(), label, field).hinting(limit.blank()));
        }
        return fields;
    }

    private static Field field(Unit unit, Prefix shown, double low, double high) {
        return Field.of("this figure", unit, shown, low, high).aboveZero();
    }

    /** A published figure; what no receiving or small transmitting tube has is a slip. */
    private static FieldSpec<Optional<Figure>> figure(String name, String label, Field field) {
        return FieldSpec.text(
                name,
                label,
                "unknown",
                (n, text, complaints) -> {
                    Optional<Typed> typed = complaints.quantity(n, text, field);
                    if (typed.isPresent() && !field.plausible(typed.get().value())) {
                        complaints.add(
                                n,
                                "“" + FieldErrors.shorten(text) + "” was understood as "
                                        + typed.get().echo()
                                        + ". No tube of an output stage is known with that: from "
                                        + Show.si(field.low(), field.unit(), 3) + " to "
                                        + Show.si(field.high(), field.unit(), 3)
                                        + ". Type it as it stands in the maker's sheet.");
                        return Optional.empty();
                    }
                    return typed.map(t -> new Figure(t.value(), false));
                },
                value -> value.map(f -> Show.plain(
                                f.value() / Math.pow(10, field.shown().power()), DIGITS))
                        .orElse(""));
    }

    private static Set<PublishedLimit> none(String name, String text, FieldErrors complaints) {
        Set<PublishedLimit> none = new LinkedHashSet<>();
        for (String key :
                Arrays.stream(text.split("\\s+")).filter(k -> !k.isEmpty()).toList()) {
            Optional<PublishedLimit> limit = PublishedLimits.of(key).filter(DECLARED::contains);
            limit.ifPresent(none::add);
            if (limit.isEmpty()) {
                List<String> keys =
                        DECLARED.stream().map(l -> l.printed().key()).toList();
                complaints.add(
                        name, "“" + FieldErrors.shorten(key) + "” is none of " + String.join(", ", keys) + ".", keys);
            }
        }
        return none;
    }
}
