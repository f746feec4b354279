package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.PinFunction;
import yellowrail.core.tube.Pinout;

/**
 * Base and pins: the socket is wired for the present tube, and every pin of the candidate has to find there what it needs, and
 * nothing that it must not touch.
 */
final class PinRow {
    /** Pins 1 and 8 of an octal socket: a suppressor or beam plates brought out at 1 belong to the cathode at 8. */
    private static final int SUPPRESSOR_PIN = 1;

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
        Optional<Pinout> now = question.present().type().pinout();
        Optional<Pinout> then = question.candidate().type().pinout();
        SocketWiring socket = question.chassis().socket();
        if (question.present().type().designation().equals(type)) {
            return SwapRow.of(Criterion.PINS, SwapVerdict.PASS, "The same type: the same base and pins.");
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
        if (then.pins().isEmpty() || now.pins().isEmpty()) {
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
        if (!open.isEmpty()) {
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
                    now,
                    then);
        }
        for (PinFunction needed : Set.copyOf(then.pins().values())) {
            if (!idle(needed)
                    && needed != PinFunction.SUPPRESSOR
                    && now.of(needed).isEmpty()) {
                wrong.add("no pin of the socket is wired as " + needed.words());
            }
        }
    }

    /** A function that needs no wire. */
    private static boolean idle(PinFunction function) {
        return function == PinFunction.NONE || function == PinFunction.INTERNAL || function == PinFunction.OTHER;
    }

    private void pin(int pin, Optional<PinFunction> wired, Optional<PinFunction> needed, Pinout now, Pinout then) {
        boolean live = wired.filter(f -> !idle(f)).isPresent();
        if (live && needed.equals(wired)) {
            return;
        }
        if (needed.filter(f -> f == PinFunction.SUPPRESSOR).isPresent()) {
            suppressor(pin, live);
        } else if (live && needed.filter(f -> !idle(f)).isPresent()) {
            wrong.add("pin " + pin + " of the socket is wired as " + wired.get().words() + ", in the " + type
                    + " it is the " + needed.get().words());
        } else if (live && needed.filter(f -> f != PinFunction.NONE).isPresent()) {
            wrong.add("pin " + pin + " of the socket is wired as " + wired.get().words() + ", in the " + type
                    + " it belongs to something inside: nothing may be connected");
        } else if (live
                && then.of(wired.get()).isEmpty()
                && !question.candidate().type().hasScreen()) {
            notes.add("the wire at pin " + pin + " (" + wired.get().words() + ") meets nothing");
        } else if (live && needed.isEmpty()) {
            notes.add("what the " + type + " has at pin " + pin + ", which is wired as "
                    + wired.get().words() + ", is not in the catalogue: look at its base");
        } else if (!live) {
            free(pin, needed, now);
        }
    }

    /** A pin at which the present tube has nothing: it may be free, or hold other parts. */
    private void free(int pin, Optional<PinFunction> needed, Pinout now) {
        Optional<Set<Integer>> tied = question.chassis().socket().tied();
        boolean bare = needed.filter(f -> f == PinFunction.NONE).isPresent();
        if (tied.isPresent() && !tied.get().contains(pin)) {
            return;
        }
        if (tied.isPresent()) {
            if (needed.isEmpty()) {
                notes.add("pin " + pin + " of the socket holds other parts, and what the " + type
                        + " has there is not in the catalogue: look at its base");
            } else if (!bare) {
                wrong.add("pin " + pin + " of the socket holds other parts, and in the " + type + " it is the "
                        + needed.get().words());
                mends.add("Move the parts at pin " + pin + " to a tag of their own.");
            }
        } else if (needed.isPresent() && !bare) {
            open.add("whether pin " + pin + " of the socket is free is not answered; in the " + type + " it is the "
                    + needed.get().words());
            mends.add("Say which unused pins of the sockets hold other parts.");
        }
    }

    private void suppressor(int pin, boolean live) {
        if (live) {
            wrong.add("pin " + pin + " is wired otherwise, in the " + type + " it is the suppressor");
            return;
        }
        Optional<Boolean> tied = question.chassis().socket().oneToEight();
        if (pin != SUPPRESSOR_PIN || tied.isEmpty()) {
            open.add("the " + type + " has its suppressor at pin " + pin
                    + ", which has to be wired to its cathode: whether it is, is not answered");
            mends.add("Look at the sockets: is pin 1 wired to pin 8?");
        } else if (!tied.get()) {
            wrong.add("the " + type
                    + " has its suppressor at pin 1, and in these sockets pin 1 is not wired to pin 8: an open"
                    + " suppressor makes the tube run away");
            mends.add("Wire pin 1 to pin 8 at every socket, after looking what else uses pin 1.");
        } else {
            notes.add("pin 1 is wired to pin 8, as its suppressor needs");
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
        boolean noted = question.chassis()
                .socket()
                .tied()
                .map(t -> t.contains(SUPPRESSOR_PIN))
                .orElse(false);
        if (noted && !then.note().isEmpty() && then.note().contains("pin 1")) {
            notes.add("pin 1 of the socket holds other parts, and of the " + type + " it is said: " + then.note());
        }
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
                .figures(then.base().words(), "", Double.NaN)
                .formula(pins(then))
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
