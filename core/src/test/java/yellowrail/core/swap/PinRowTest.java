package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.swap.Chassis.SocketWiring;

class PinRowTest {
    private static SwapRow row(String present, String candidate, String tied, String oneToEight, boolean adaptor) {
        SocketWiring socket = new SocketWiring(
                tied == null
                        ? Optional.empty()
                        : Optional.of(Arrays.stream(tied.split(" "))
                                .filter(p -> !p.equals("none"))
                                .map(Integer::valueOf)
                                .collect(Collectors.toSet())),
                Optional.ofNullable(oneToEight).map(Boolean::valueOf),
                Optional.empty(),
                adaptor,
                Optional.of(1.0),
                Optional.empty());
        Chassis chassis = Around.with(socket);
        Present stage = Swaps.fixed(present, 2, 400, 5000, 0.6);
        return PinRow.of(new SwapQuestion(stage, chassis, Swaps.candidate(stage, candidate)));
    }

    @ParameterizedTest(name = "{0} -> {1}, tied {2}, 1 to 8 {3}, adaptor {4}: {5}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "6L6GC | 6L6GC | ?    | ?     | false | PASS    | the same type",
                "6L6GC | KT88  | none | ?     | false | PASS    | every pin finds what it needs",
                "6L6GC | KT88  | ?    | ?     | false | UNKNOWN | whether the tubes to go in have one is not answered",
                "6L6GC | KT88  | 1    | ?     | false | UNKNOWN | metal that a hand touches",
                "6L6GC | 6V6GT | 1 6  | ?     | false | PASS    | every pin finds what it needs",
                "6L6GC | 5881  | 6    | ?     | false | UNKNOWN | pin 6 of the socket holds other parts",
                "6L6GC | 5881  | none | true  | false | UNKNOWN | is wired to pin 8",
                "EL34  | EL34  | none | true  | false | NOTE    | pin 1 is wired to pin 8",
                "EL34  | EL34  | none | false | false | FAIL    | not wired to pin 8",
                "EL34  | EL34  | none | ?     | false | UNKNOWN | whether it is, is not answered",
                "EL34  | EL34  | ?    | ?     | false | UNKNOWN | whether it is, is not answered",
                "6L6GC | 6L6 metal | none | false | false | PASS | every pin finds what it needs",
                "6L6GC | 6L6 metal | none | true  | false | NOTE | it lifts to the plate's volts",
                "6L6GC | 6L6 metal | 1    | false | false | FAIL | metal that a hand touches",
                "6L6GC | 6L6 metal | ?    | ?     | false | UNKNOWN | may hold other parts",
                "7027A | 6L6 metal | none | false | false | FAIL | wired as screen",
                "7027A | 6L6 metal | none | true  | false | FAIL | wired as screen",
                "7027A | KT88  | none | false | false | UNKNOWN | metal that a hand touches",
                "7027A | 6550  | none | false | false | UNKNOWN | metal that a hand touches",
                "7027A | 6550A | ?    | ?     | false | UNKNOWN | metal that a hand touches",
                "7027A | 6L6GC | none | false | false | PASS    | every pin finds what it needs",
                "6L6GC | 7027A | none | true  | false | FAIL    | that wire shorts it",
                "6L6GC | 7027A | none | false | false | UNKNOWN | of pin 8 and of the chassis too",
                "EL34  | 7027A | none | true  | false | FAIL    | that wire shorts it",
                "6L6GC | EL34  | none | true  | false | NOTE    | pin 1 is wired to pin 8",
                "6L6GC | EL34  | none | false | false | FAIL    | not wired to pin 8",
                "6L6GC | EL34  | none | ?     | false | UNKNOWN | whether it is, is not answered",
                "EL34  | 6L6GC | none | true  | false | PASS    | every pin finds what it needs",
                "EL34  | KT88  | none | true  | false | NOTE    | it lifts to the plate's volts",
                "EL34  | KT66  | none | true  | false | UNKNOWN | is not in the catalogue",
                "6L6GC | 7027A | none | ?     | false | UNKNOWN | whether pin 1 of the socket is free",
                "6L6GC | 7027A | 1    | ?     | false | FAIL    | pin 1 of the socket holds other parts",
                "6L6GC | 7027A | 6    | ?     | false | FAIL    | it is the control grid",
                "6L6GC | 7027A | ?    | ?     | false | UNKNOWN | whether pin 1 of the socket is free",
                "6L6GC | 7591  | none | ?     | false | FAIL    | wired as control grid, in the 7591 it is the cathode",
                "7591  | 6L6GC | none | ?     | false | FAIL    | wired as cathode, in the 6L6GC it is the control grid",
                "EL84  | 7189  | none | ?     | false | NOTE    | to be verified",
                "EL84  | 6973  | none | ?     | false | UNKNOWN | the pins of the 6973 are not known",
                "EL84  | 7189A | none | ?     | false | UNKNOWN | the pins of the 7189A are not known",
                "EL84  | 6V6GT | none | ?     | false | FAIL    | the sockets are noval",
                "EL84  | 6V6GT | none | ?     | true  | NOTE    | an adaptor has to bring every electrode",
                "6L6GC | 6973  | none | ?     | true  | UNKNOWN | the pins of the 6973 are not known",
                "6V6GT | 6AQ5  | none | ?     | false | FAIL    | seven-pin miniature",
                "6L6GC | 807   | none | ?     | false | FAIL    | five-pin",
                "6L6GC | EL36  | none | ?     | false | FAIL    | cap on top",
                "6L6GC | 300B  | none | ?     | false | FAIL    | four-pin",
                "6V6GT | 6AS7G | none | ?     | false | FAIL    | in the 6AS7G it is the cathode",
                "EL84  | ECL82 pentode | none | ? | false | FAIL | in the ECL82 pentode it is the cathode",
                "6L6GC | KT66  | none | ?     | false | PASS    | every pin finds what it needs",
                "6L6GC | KT77  | none | ?     | false | NOTE    | the pins of the KT77 are to be verified",
            })
    void findsForEveryPinWhatItNeeds(
            String present,
            String candidate,
            String tied,
            String oneToEight,
            boolean adaptor,
            SwapVerdict verdict,
            String said) {
        SwapRow row = row(present, candidate, tied, oneToEight, adaptor);
        assertThat(row.reason()).containsIgnoringCase(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** Metal at the base: whether this tube has it decides, and where it would be. */
    @ParameterizedTest(name = "{0} to {1}, pin 1 {2}, sleeve {3}: {4}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "6L6 metal | 7027A | chassis | ? | FAIL",
                "6L6 metal | 7027A | free    | ? | PASS",
                "6L6GC | 7027A | free    | ?   | PASS",
                "6L6GC | 7027A | eight   | ?   | FAIL",
                "6L6GC | KT88  | parts   | yes | FAIL",
                "6L6GC | KT88  | parts   | no  | PASS",
                "6L6GC | KT88  | parts   | ?   | UNKNOWN",
                "6L6GC | KT88  | eight   | yes | NOTE",
                "6L6GC | KT88  | eight   | no  | PASS",
                "6L6GC | KT88  | chassis | yes | PASS",
                "6L6GC | KT88  | chassis | ?   | PASS",
                "6L6GC | 6550  | free    | yes | PASS",
                "7027A | KT88  | free    | yes | FAIL",
                "7027A | KT88  | free    | no  | PASS",
                "7027A | 6550A | chassis | yes | FAIL",
                "EL34  | 6550  | eight   | yes | NOTE",
                "cathode EL34 | 6550 | eight | yes | FAIL",
                "cathode EL34 | 6550 | eight | ?   | UNKNOWN",
                "cathode EL34 | 6550 | chassis | yes | PASS",
                "cathode EL34 | EL34 | chassis | ? | FAIL",
                "EL34  | EL34  | chassis | ?   | NOTE",
                "6L6GC | EL34  | parts   | ?   | FAIL",
            })
    void metalThatAHandTouches(String present, String candidate, String one, String sleeve, SwapVerdict verdict) {
        boolean cathode = present.startsWith("cathode ");
        Present stage = cathode
                ? Swaps.cathode(present.substring(8), 2, 360, 5000, 250)
                : Swaps.fixed(present, 2, 400, 5000, 0.6);
        SocketWiring socket = new SocketWiring(
                Optional.of(one.equals("parts") ? Set.of(1) : Set.of()),
                Optional.of(one.equals("eight")),
                Optional.of(one.equals("chassis")),
                false,
                Optional.of(1.0),
                Optional.empty());
        SwapCandidate tube = Swaps.candidate(stage, candidate)
                .sleeved(Optional.ofNullable(sleeve).map(s -> s.equals("yes")));
        SwapRow row = PinRow.of(new SwapQuestion(stage, Around.with(socket), tube));
        assertThat(row.verdict()).as(row.reason()).isEqualTo(verdict);
    }

    /** An answer about one pin is none about another. */
    @ParameterizedTest
    @CsvSource({"2", "5"})
    void aTiedPinThatHasItsOwnFunctionChangesNothing(int pin) {
        Present stage = Swaps.fixed("6L6GC", 2, 400, 5000, 0.6);
        Chassis chassis = Around.with(new SocketWiring(
                Optional.of(Set.of(pin)),
                Optional.empty(),
                Optional.empty(),
                false,
                Optional.of(1.0),
                Optional.empty()));
        assertThat(PinRow.of(new SwapQuestion(stage, chassis, Swaps.candidate(stage, "KT88")))
                        .verdict())
                .isEqualTo(SwapVerdict.PASS);
    }
}
