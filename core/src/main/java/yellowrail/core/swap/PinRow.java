package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.Base;
import yellowrail.core.tube.PinFunction;
import yellowrail.core.tube.Pinout;

/**
 * Base and pins: the socket is wired for the present tube, and every pin of the candidate has to find there what it needs, and
 * nothing that it must not touch.
 */
final class PinRow {
    /** Pins 1 and 8 of an octal socket: a suppressor or beam plates brought out at 1 belong to the cathode at 8. */
    private static final int SUPPRESSOR_PIN = 1;

    /** What a pin of the socket that the present tube does not use is connected to. */
    private enum Wired {
        FREE,
        PARTS,
        CATHODE,
        CHASSIS,
        NOT_ANSWERED
    }

    /** Through more than this a cathode is not at the chassis, Ω. */
    private static final double MOST_SENSE = 10;

    private final SwapQuestion question;
    private final String type;
    private final List<String> wrong = new ArrayList<>();
    private final List<String> open = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<String> mends = new ArrayList<>();

    private PinRow(SwapQuestion question) {
        this.question = question;
        this.type = question.candidate().type().designation();
    }

    static SwapRow of(SwapQuestion question) {
        return new PinRow(question).row();
    }

    private SwapRow row() {
        sockets();
        Optional<Pinout> now = question.present().type().pinout();
        Optional<Pinout> then = question.candidate().type().pinout();
        SocketWiring socket = question.chassis().part(SocketWiring.class);
        if (question.present().type().designation().equals(type)) {
            return same(then);
        }
        if (now.isEmpty() || then.isEmpty()) {
            String missing = (now.isEmpty()
                            ? question.present().type()
                            : question.candidate().type())
                    .designation();
            return SwapRow.of(
                            Criterion.PINS,
                            SwapVerdict.UNKNOWN,
                            "Neither base nor pins of the " + missing + " are known.")
                    .mend("Enter them from the maker's sheet on the type's page.");
        }
        bases(now.get(), then.get(), socket);
        return result(now.get(), then.get());
    }

    private void bases(Pinout now, Pinout then, SocketWiring socket) {
        boolean unknown = then.pins().isEmpty() || now.pins().isEmpty();
        if (unknown) {
            open.add("the pins of the "
                    + (then.pins().isEmpty() ? type : question.present().type().designation()) + " are not known here");
            mends.add("Enter them from the maker's sheet on the type's page.");
        }
        if (now.base() != then.base() || !now.cap().equals(then.cap())) {
            String bases = now.base() == then.base()
                    ? cap(question.present().type().designation(), now) + ", " + cap(type, then)
                    : "the sockets are " + now.base().words() + ", the base of the " + type + " is "
                            + then.base().words();
            if (socket.adaptor()) {
                notes.add(bases
                        + "; an adaptor has to bring every electrode to its pin, stand the volts between them, and"
                        + " hold the tube upright");
            } else {
                wrong.add(bases);
                mends.add("Another socket, wired anew, or an adaptor made for this pair of types.");
            }
            return;
        }
        if (unknown) {
            return;
        }
        if (socket.adaptor()) {
            notes.add("an adaptor has to bring every electrode to its pin and stand the volts between them");
            return;
        }
        for (int pin = 1; pin <= now.base().pins(); pin++) {
            pin(
                    pin,
                    Optional.ofNullable(now.pins().get(pin)),
                    Optional.ofNullable(then.pins().get(pin)),
                    then);
        }
        for (PinFunction needed : Set.copyOf(then.pins().values())) {
            if (!idle(needed)
                    && !shell(needed)
                    && needed != PinFunction.SUPPRESSOR
                    && now.of(needed).isEmpty()) {
                wrong.add("no pin of the socket is wired as " + needed.words());
            }
        }
    }

    /** The same type finds what it had; a suppressor has to be wired for it as for any. */
    private SwapRow same(Optional<Pinout> pins) {
        Optional<Integer> suppressor = pins.flatMap(p -> p.pins().entrySet().stream()
                .filter(e -> e.getValue() == PinFunction.SUPPRESSOR)
                .map(Map.Entry::getKey)
                .findFirst());
        suppressor.ifPresent(this::suppressor);
        if (wrong.isEmpty() && open.isEmpty() && notes.isEmpty()) {
            return SwapRow.of(Criterion.PINS, SwapVerdict.PASS, "The same type: the same base and pins.");
        }
        return pins.map(p -> result(p, p)).orElseGet(this::said);
    }

    /** Tubes that are more than there are now want sockets, wired as the present ones. */
    private void sockets() {
        int tubes = question.candidate().tubes();
        int now = question.present().tubes();
        Optional<Integer> there = question.chassis().part(SocketWiring.class).sockets();
        if (tubes <= now) {
            return;
        }
        if (there.isEmpty()) {
            open.add(tubes + " tubes want " + tubes + " sockets, " + now
                    + " are in use: whether there are more is not answered");
            mends.add("Say how many sockets one channel has.");
        } else if (there.get() < tubes) {
            wrong.add(tubes + " tubes want " + tubes + " sockets, there are " + there.get());
            mends.add("More sockets, each with its own wiring and grid and screen resistors, or fewer tubes.");
        } else {
            notes.add("each of the " + tubes + " sockets has to be wired as those in use");
        }
    }

    /** A function that needs no wire. */
    private static boolean idle(PinFunction function) {
        return function == PinFunction.NONE || function == PinFunction.INTERNAL || function == PinFunction.OTHER;
    }

    private static boolean shell(PinFunction function) {
        return function == PinFunction.SHELL || function == PinFunction.SLEEVE;
    }

    /** Whether a wire of the present tube goes there; where shells and suppressors are wired to is asked. */
    private static boolean live(Optional<PinFunction> wired) {
        return wired.filter(f -> !idle(f) && !shell(f) && f != PinFunction.SUPPRESSOR)
                .isPresent();
    }

    private void pin(int pin, Optional<PinFunction> wired, Optional<PinFunction> needed, Pinout then) {
        if (needed.filter(f -> f == PinFunction.SUPPRESSOR).isPresent()) {
            if (live(wired) && wired.get() != PinFunction.CATHODE) {
                wrong.add("pin " + pin + " is wired otherwise, in the " + type + " it is the suppressor");
            } else if (!live(wired)) {
                suppressor(pin);
            }
        } else if (live(wired)) {
            taken(pin, wired.get(), needed, then);
        } else {
            unused(pin, needed);
        }
    }

    /** A pin that the present tube uses. */
    private void taken(int pin, PinFunction wired, Optional<PinFunction> needed, Pinout then) {
        if (needed.filter(f -> f == wired).isPresent()) {
            return;
        }
        String socket = "pin " + pin + " of the socket is wired as " + wired.words() + ", in the " + type;
        if (needed.filter(PinRow::shell).isPresent()) {
            metal(
                    needed.get(),
                    pin,
                    wired == PinFunction.CATHODE ? cathode() : SwapVerdict.FAIL,
                    socket + " its metal is there, which a hand touches");
        } else if (needed.filter(f -> !idle(f)).isPresent()) {
            wrong.add(socket + " it is the " + needed.get().words());
        } else if (needed.filter(f -> f != PinFunction.NONE).isPresent()) {
            wrong.add(socket + " it belongs to something inside: nothing may be connected");
        } else if (then.of(wired).isEmpty() && !question.candidate().type().hasScreen()) {
            notes.add("the wire at pin " + pin + " (" + wired.words() + ") meets nothing");
        } else if (needed.isEmpty()) {
            open.add("what the " + type + " has at pin " + pin + ", which is wired as " + wired.words()
                    + ", is not in the catalogue: look at its base");
        }
    }

    /** A pin at which the present tube has nothing that is wired for it: it may be free, or hold other parts. */
    private Wired at(int pin) {
        SocketWiring socket = question.chassis().part(SocketWiring.class);
        boolean one = octalOne(pin);
        if (one && socket.oneToEight().orElse(false)) {
            return Wired.CATHODE;
        }
        if (one && socket.oneToChassis().orElse(false)) {
            return Wired.CHASSIS;
        }
        if (socket.tied().filter(t -> t.contains(pin)).isPresent()) {
            return Wired.PARTS;
        }
        return socket.tied().isPresent() ? Wired.FREE : Wired.NOT_ANSWERED;
    }

    /** Wires from pin 1 to pin 8 and to the chassis are those of octal sockets. */
    private boolean octalOne(int pin) {
        return pin == SUPPRESSOR_PIN
                && question.present()
                        .type()
                        .pinout()
                        .filter(p -> p.base() == Base.OCTAL)
                        .isPresent();
    }

    private void unused(int pin, Optional<PinFunction> needed) {
        Wired at = at(pin);
        boolean bare = needed.filter(f -> f == PinFunction.NONE).isPresent();
        if (bare || at == Wired.FREE && !shorted(pin, needed)) {
            return;
        }
        String has = "in the " + type + " it is the "
                + needed.map(PinFunction::words).orElse("");
        if (needed.isEmpty()) {
            if (at != Wired.NOT_ANSWERED) {
                open.add("pin " + pin + " of the socket " + words(at) + ", and what the " + type
                        + " has there is not in the catalogue: look at its base");
            }
        } else if (shell(needed.get())) {
            SwapVerdict stands = switch (at) {
                case FREE, CHASSIS -> SwapVerdict.PASS;
                case CATHODE -> cathode();
                case PARTS -> SwapVerdict.FAIL;
                case NOT_ANSWERED -> SwapVerdict.UNKNOWN;
            };
            metal(needed.get(), pin, stands, "pin " + pin + " of the socket " + words(at) + ", and " + has);
        } else if (at == Wired.NOT_ANSWERED || at == Wired.FREE) {
            open.add("whether pin " + pin + " of the socket is free"
                    + (octalOne(pin) ? ", of pin 8 and of the chassis too," : "") + " is not answered; " + has);
            mends.add(
                    "Say which unused pins of the sockets hold other parts, and whether pin 1 is wired to pin 8 or to the chassis.");
        } else {
            wrong.add("pin " + pin + " of the socket " + words(at) + ", and " + has
                    + (at == Wired.CATHODE ? ": that wire shorts it" : ""));
            mends.add(
                    at == Wired.PARTS
                            ? "Move the parts at pin " + pin + " to a tag of their own."
                            : "Take the wire off pin " + pin + " at every socket.");
        }
    }

    /** Whether a wire from pin 1 to pin 8 or to the chassis, of which nothing was said, would short what the tube has there. */
    private boolean shorted(int pin, Optional<PinFunction> needed) {
        SocketWiring socket = question.chassis().part(SocketWiring.class);
        boolean electrode = needed.filter(f -> !idle(f) && !shell(f)).isPresent();
        return octalOne(pin)
                && electrode
                && (socket.oneToEight().isEmpty() || socket.oneToChassis().isEmpty());
    }

    private static String words(Wired at) {
        return switch (at) {
            case FREE -> "is free";
            case PARTS -> "holds other parts";
            case CATHODE -> "is wired to pin 8, the cathode";
            case CHASSIS -> "is wired to the chassis";
            case NOT_ANSWERED -> "may hold other parts, which is not answered";
        };
    }

    /** A shell at the cathode: at the chassis but for a sense resistor, or some volts above it. */
    private SwapVerdict cathode() {
        if (!question.scheme().fixed()) {
            return SwapVerdict.FAIL;
        }
        return question.chassis()
                .part(SocketWiring.class)
                .senseOhms()
                .map(ohms -> ohms == 0 ? SwapVerdict.PASS : ohms <= MOST_SENSE ? SwapVerdict.NOTE : SwapVerdict.FAIL)
                .orElse(SwapVerdict.UNKNOWN);
    }

    /** @param stands how it stands if this tube has metal there */
    private void metal(PinFunction function, int pin, SwapVerdict stands, String why) {
        Optional<Boolean> has = function == PinFunction.SHELL
                ? Optional.of(true)
                : question.candidate().sleeve();
        if (!has.orElse(true) || stands == SwapVerdict.PASS) {
            return;
        }
        if (stands == SwapVerdict.NOTE) {
            notes.add(why + ": it lifts to the plate's volts if the sense resistor opens");
        } else if (stands == SwapVerdict.UNKNOWN || has.isEmpty()) {
            open.add(why
                    + (has.isEmpty() ? "; whether the tubes to go in have one is not answered" : "")
                    + ": metal that a hand touches has to be at the chassis or at nothing");
            mends.add("Look at the base of the tubes, at pin " + pin
                    + " of the sockets, and at what stands between each cathode and the chassis.");
        } else {
            wrong.add(why + ": metal that a hand touches has to be at the chassis or at nothing");
            mends.add("Wire pin " + pin + " of every socket to the chassis, after moving what else is there.");
        }
    }

    private void suppressor(int pin) {
        SocketWiring socket = question.chassis().part(SocketWiring.class);
        boolean one = octalOne(pin);
        if (one && socket.oneToEight().orElse(false)) {
            notes.add("pin 1 is wired to pin 8, as its suppressor needs");
        } else if (one
                && socket.oneToChassis().orElse(false)
                && question.scheme().fixed()) {
            notes.add("pin 1 is wired to the chassis, near its cathode, as its suppressor needs");
        } else if (one && socket.oneToEight().isPresent()) {
            wrong.add("the " + type
                    + " has its suppressor at pin 1, and in these sockets pin 1 is not wired to pin 8: an open"
                    + " suppressor makes the tube run away");
            mends.add("Wire pin 1 to pin 8 at every socket, after looking what else uses pin 1.");
        } else {
            open.add("the " + type + " has its suppressor at pin " + pin
                    + ", which has to be wired to its cathode: whether it is, is not answered");
            mends.add("Look at the sockets: is pin 1 wired to pin 8?");
        }
    }

    private static String cap(String type, Pinout pinout) {
        return "the " + type
                + (pinout.cap().isPresent()
                        ? " has its " + pinout.cap().get().words() + " at a cap on top"
                        : " has no cap on top");
    }

    private SwapRow result(Pinout now, Pinout then) {
        for (Pinout each : List.of(now, then)) {
            if (each.toBeVerified()) {
                notes.add("the pins of the "
                        + (each == now ? question.present().type().designation() : type)
                        + " are to be verified with the maker's sheet");
            }
        }
        return said().figures(then.base().words(), "", Double.NaN).formula(pins(then));
    }

    /** All that was found, the gravest first. */
    private SwapRow said() {
        SwapVerdict verdict = !wrong.isEmpty()
                ? SwapVerdict.FAIL
                : !open.isEmpty() ? SwapVerdict.UNKNOWN : notes.isEmpty() ? SwapVerdict.PASS : SwapVerdict.NOTE;
        List<String> said = new ArrayList<>(wrong);
        said.addAll(open);
        said.addAll(notes);
        String sentence = said.isEmpty()
                ? "the same base, and every pin finds what it needs"
                : said.stream().distinct().collect(Collectors.joining("; "));
        return SwapRow.of(
                        Criterion.PINS,
                        verdict,
                        Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1) + ".")
                .mend(mends.stream().distinct().collect(Collectors.joining(" ")));
    }

    private String pins(Pinout pinout) {
        Set<String> parts = new TreeSet<>();
        for (Map.Entry<Integer, PinFunction> pin : pinout.pins().entrySet()) {
            if (!idle(pin.getValue())) {
                parts.add(pin.getKey() + " " + pin.getValue().words());
            }
        }
        return parts.isEmpty() ? "" : "Pins of the " + type + ": " + String.join(", ", parts);
    }
}
