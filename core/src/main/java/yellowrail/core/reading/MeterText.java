package yellowrail.core.reading;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Understands a number as it is typed from a meter: {@code 431}, {@code 0.431 kV}, {@code 36,4m}, {@code 1 k5},
 * {@code 4k7}, {@code −44.1}.
 *
 * <p>A bare number takes the unit shown in the field. If that is implausible there and another prefix would not be, the
 * builder is asked; nothing is converted silently.
 */
public final class MeterText {
    /** No meter shows more; a longer text is a slip of the clipboard. */
    private static final int LONGEST = 40;

    private static final Pattern WHOLE =
            Pattern.compile("([+-]?)\\s*([0-9.,][0-9.,'’ ]*(?:[eE][+-]?\\d{1,3})?)\\s*(\\D.*)?");
    private static final Pattern INFIX =
            Pattern.compile("([+-]?)\\s*(\\d+)\\s*([kKMmuµRrVvAaΩ])\\s*(\\d+)\\s*(\\p{L}*)");
    private static final String MINUSES = "[−–—‒﹣－]";

    private MeterText() {}

    public static Understanding understand(String text, Field field) {
        if (text == null || text.isBlank()) {
            return new Understanding.Empty();
        }
        if (text.length() > LONGEST) {
            return refuse(
                    text.substring(0, 20) + "…",
                    "is " + text.length() + " characters long; a meter reading has at most " + LONGEST,
                    field);
        }
        String tidy = Normalizer.normalize(text, Normalizer.Form.NFKC)
                .replaceAll(MINUSES, "-")
                .replace('μ', 'µ')
                .replaceAll("\\s+", " ")
                .strip();
        Matcher infix = INFIX.matcher(tidy);
        if (infix.matches()) {
            String unit = infix.group(3) + infix.group(5);
            return interpret(text, infix.group(1), infix.group(2) + "." + infix.group(4), unit, field);
        }
        Matcher whole = WHOLE.matcher(tidy);
        if (!whole.matches()) {
            return refuse(text, "has no number that could be made out", field);
        }
        String suffix = Optional.ofNullable(whole.group(3)).orElse("").strip();
        return interpret(text, whole.group(1), whole.group(2).strip(), suffix, field);
    }

    private static Understanding interpret(String raw, String sign, String digits, String suffix, Field field) {
        List<NumberText.Decimal> numbers = NumberText.read(digits);
        if (numbers.isEmpty()) {
            return refuse(raw, "has digits grouped in a way that is not a number", field);
        }
        Optional<Symbol> symbol = Symbol.read(suffix, field);
        if (symbol.isEmpty()) {
            return refuse(
                    raw, "was understood up to “" + digits + "”; “" + suffix + "” is not a unit known here", field);
        }
        List<Typed> values = new ArrayList<>();
        for (NumberText.Decimal number : numbers) {
            if (vanishes(number, symbol.get().prefix())) {
                return refuse(raw, "was understood as less than any meter shows", field);
            }
            Optional<Typed> typed =
                    scale(raw, sign, number, symbol.get().prefix(), symbol.get().unit());
            if (typed.isEmpty()) {
                return refuse(
                        raw,
                        "was understood as " + sign + digits + " "
                                + symbol.get().prefix().symbol()
                                + symbol.get().unit().symbol()
                                + ", beyond what is read at a bench (limit "
                                + Show.si(
                                        symbol.get().unit().limit(),
                                        symbol.get().unit())
                                + ")",
                        field);
            }
            values.add(typed.get());
        }
        Typed first = values.get(0);
        if (first.unit() != field.unit() && !field.also().contains(first.unit())) {
            return refuse(raw, "was understood as " + first.echo(), field);
        }
        Optional<Understanding> wrongSign = checkSign(raw, first, field);
        if (wrongSign.isPresent()) {
            return wrongSign.get();
        }
        if (values.size() > 1) {
            return new Understanding.Ask(
                    "“" + raw + "” could mean " + values.get(0).echo() + " or "
                            + values.get(1).echo() + ": which one?",
                    values);
        }
        return askIfAnotherPrefixFits(raw, sign, numbers.get(0), symbol.get(), first, field);
    }

    private static Optional<Understanding> checkSign(String raw, Typed typed, Field field) {
        if (typed.value() < 0 && field.sign() != Field.Sign.EITHER) {
            return Optional.of(refuse(
                    raw,
                    "was understood as " + typed.echo()
                            + ", which cannot be below zero here: are the leads swapped, or was it read at another point?"
                            + " Read it again",
                    field));
        }
        if (typed.value() == 0 && field.sign() == Field.Sign.ABOVE_ZERO) {
            return Optional.of(refuse(raw, "was understood as zero, and it must be above zero", field));
        }
        return Optional.empty();
    }

    /** Bare numbers, and a capital M where mega makes no sense, are asked about; other explicit units stand as typed. */
    private static Understanding askIfAnotherPrefixFits(
            String raw, String sign, NumberText.Decimal number, Symbol symbol, Typed first, Field field) {
        boolean questionable = symbol.bare() || symbol.prefix() == Prefix.MEGA;
        if (!questionable
                || first.unit() != field.unit()
                || !first.unit().takesPrefixes()
                || field.plausible(first.value())) {
            return new Understanding.Understood(first);
        }
        List<Typed> choices = new ArrayList<>();
        choices.add(first);
        for (Prefix other : EnumSet.of(Prefix.MILLI, Prefix.NONE, Prefix.KILO)) {
            if (other != symbol.prefix() && !vanishes(number, other)) {
                scale(raw, sign, number, other, field.unit())
                        .filter(t -> field.plausible(t.value()))
                        .ifPresent(choices::add);
            }
        }
        if (choices.size() == 1) {
            return new Understanding.Understood(first);
        }
        StringBuilder question = new StringBuilder(
                "“" + raw + "” would be " + first.echo() + " here, unusual for " + field.name() + ". Did you mean ");
        question.append(String.join(
                        " or ", choices.stream().skip(1).map(Typed::echo).toList()))
                .append("?");
        return new Understanding.Ask(question.toString(), choices);
    }

    private static BigDecimal scaled(NumberText.Decimal number, Prefix prefix) {
        return new BigDecimal(number.plain()).scaleByPowerOfTen(prefix.power());
    }

    /** Whether it is not zero, and still less than any meter shows. */
    private static boolean vanishes(NumberText.Decimal number, Prefix prefix) {
        BigDecimal value = scaled(number, prefix);
        return value.signum() != 0 && value.abs().doubleValue() < Typed.SMALLEST;
    }

    private static Optional<Typed> scale(String raw, String sign, NumberText.Decimal number, Prefix prefix, Unit unit) {
        double value = scaled(number, prefix).doubleValue();
        double lastDigit = Math.pow(10, prefix.power() - (double) number.decimals());
        if (!Double.isFinite(value) || value > unit.limit() || !(lastDigit > 0) || !Double.isFinite(lastDigit)) {
            return Optional.empty();
        }
        return Optional.of(new Typed(raw, sign.equals("-") ? -value : value, unit, lastDigit));
    }

    private static Understanding refuse(String raw, String what, Field field) {
        return new Understanding.Refused("“" + raw + "” " + what + ". This field takes "
                + field.unit().words() + ", for example " + example(field) + ".");
    }

    private static String example(Field field) {
        double middle = Math.sqrt(Math.max(field.low(), field.high() / 1e3) * field.high());
        return Show.si(middle, field.unit(), 2);
    }

    /** A unit symbol with its prefix; {@code bare} when nothing was typed after the digits. */
    private record Symbol(Prefix prefix, Unit unit, boolean bare) {
        static Optional<Symbol> read(String suffix, Field field) {
            if (suffix.isEmpty()) {
                return Optional.of(new Symbol(field.shown(), field.unit(), true));
            }
            Set<Unit> known = EnumSet.allOf(Unit.class);
            String lower = suffix.toLowerCase(Locale.ROOT);
            if (field.unit().isSpelled(lower)) {
                return Optional.of(new Symbol(Prefix.NONE, field.unit(), false));
            }
            Optional<Prefix> leading = prefix(suffix.charAt(0));
            String rest = lower.substring(1).strip();
            if (leading.isPresent() && rest.isEmpty()) {
                return Optional.of(new Symbol(leading.get(), field.unit(), false));
            }
            for (Unit unit : known) {
                if (unit.isSpelled(lower)) {
                    return Optional.of(new Symbol(Prefix.NONE, unit, false));
                }
            }
            for (Unit unit : known) {
                if (leading.isPresent() && unit.takesPrefixes() && unit.isSpelled(rest)) {
                    return Optional.of(new Symbol(leading.get(), unit, false));
                }
            }
            return Optional.empty();
        }

        private static Optional<Prefix> prefix(char c) {
            return switch (c) {
                case 'p' -> Optional.of(Prefix.PICO);
                case 'n' -> Optional.of(Prefix.NANO);
                case 'u', 'µ' -> Optional.of(Prefix.MICRO);
                case 'm' -> Optional.of(Prefix.MILLI);
                case 'k', 'K' -> Optional.of(Prefix.KILO);
                case 'M' -> Optional.of(Prefix.MEGA);
                default -> Optional.empty();
            };
        }
    }
}
