package yellowrail.app.quickcheck;

import static yellowrail.app.forms.CheckForm.or;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpForm;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.rounds.RoundForm;
import yellowrail.app.rounds.RoundReader;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.round.Quantity;
import yellowrail.core.target.Target;

/** "Keep this": a quick check becomes an amp with its first round. Only what was measured is kept as measured. */
@Controller
class KeepController {
    private final AmpStore amps;
    private final RoundStore rounds;
    private final TubeStore tubes;
    private final SettingStore settings;
    private final TransactionTemplate together;

    KeepController(
            AmpStore amps, RoundStore rounds, TubeStore tubes, SettingStore settings, TransactionTemplate together) {
        this.amps = amps;
        this.rounds = rounds;
        this.tubes = tubes;
        this.settings = settings;
        this.together = together;
    }

    @PostMapping("/keep")
    String keep(
            HttpServletRequest request,
            @RequestParam UUID keepId,
            @RequestParam(defaultValue = "") String ampName,
            Model model,
            HttpServletResponse response) {
        CheckForm check = CheckForm.from(request::getParameter);
        UUID roundId = UUID.nameUUIDFromBytes((keepId + "/round").getBytes());
        UUID ampId = UUID.nameUUIDFromBytes((keepId + "/amp").getBytes());
        // What the check itself does not take is not kept either.
        CheckReader.Read read = CheckReader.read(check, tubes.catalogue(), settings.windows(), settings.meters());
        AmpReader.Read amp = AmpReader.read(amp(check, read, ampName), tubes.catalogue(), settings.targetNames());
        FieldErrors complaints = amp.complaints();
        read.ask(IdleCheck.answer(read.question(), List.of()));
        for (var said : read.complaints().byField().entrySet()) {
            complaints.add(said.getKey(), said.getValue().sentence());
        }
        if (!complaints.any()) {
            AmpDescription description = amp.description().orElseThrow();
            RoundReader.Read round = RoundReader.read(
                    round(check, read, description, roundId),
                    description,
                    roundId,
                    List.of(read.question().meter()),
                    OffsetDateTime.now());
            if (!round.complaints().any()) {
                // Both or neither: an amp without its first reading would be half-written.
                together.executeWithoutResult(s -> {
                    Amp kept = amps.keep(keepId, ampId, 0, description);
                    rounds.keep(roundId, kept, round.takenAt(), round.state(), "", round.readings());
                });
                return "redirect:/amps/" + ampId + "?kept=first";
            }
            complaints = round.complaints();
        }
        response.setStatus(422);
        model.addAttribute(
                "sentences",
                complaints.byField().values().stream()
                        .map(FieldErrors.Complaint::sentence)
                        .toList());
        return "quickcheck/not-kept";
    }

    private static AmpForm amp(CheckForm check, CheckReader.Read read, String name) {
        Optional<SensingMethod> method =
                read.methodKnown() ? Optional.of(read.question().method()) : Optional.empty();
        int behind = method.map(SensingMethod::tubes).orElse(1);
        boolean half = method.flatMap(SensingMethod::halfPrimaryOhms).isPresent();
        boolean pair = !"se".equals(check.topology());
        int tubes = Math.min(8, half && pair ? 2 * behind : Math.max(behind, pair ? 2 : 1));
        String grouping = half ? "side" : behind > 1 ? "all" : "tube";
        String control = behind > 1 ? "cathode_shared" : "cathode_own";
        Map<String, String> sensing = new LinkedHashMap<>(check.sensing());
        String measured = Ways.parameters().stream()
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY_OF_POINT)
                .map(p -> or(sensing.remove(p.name()), ""))
                .findFirst()
                .orElse("");
        // What only a check is asked does not describe an amp.
        sensing.keySet().retainAll(AmpForm.names());
        return new AmpForm(
                name,
                check.topology(),
                check.connection(),
                check.tap(),
                check.bias(),
                method.filter(SensingMethod::tellsCathodeVolts).isPresent() ? control : "none",
                IntStream.rangeClosed(1, tubes).mapToObj(i -> "V" + i).toList(),
                Collections.nCopies(tubes, "1"),
                IntStream.range(0, tubes)
                        .mapToObj(i -> pair && i >= (tubes + 1) / 2 ? "B" : "A")
                        .toList(),
                Collections.nCopies(tubes, or(check.tube(), "")),
                check.method(),
                grouping,
                List.of(measured),
                sensing,
                "measured".equals(check.screen()) ? check.g2r() : "",
                "",
                check.nominal(),
                "",
                check.highest(),
                List.of(),
                List.of(),
                List.of(),
                "",
                "",
                "",
                "",
                "",
                "maker".equals(check.target()) ? or(check.maker(), "") : "",
                target(check),
                "",
                check.ceiling());
    }

    /** A window typed for one check is no named target; the maker's figure is. */
    private static String target(CheckForm check) {
        return switch (or(check.target(), "")) {
            case "own" -> "";
            case "maker" -> Target.MakersFigure.NAME;
            default -> check.target();
        };
    }

    private static RoundForm round(CheckForm check, CheckReader.Read read, AmpDescription amp, UUID roundId) {
        Socket first = amp.sockets().get(0);
        Map<String, String> values = new LinkedHashMap<>();
        put(values, Quantity.MAINS, "", check.mains());
        put(values, Quantity.PLATE, first.name(), check.volts());
        put(values, Quantity.CURRENT, amp.groups().get(0).name(), check.reading());
        put(values, Quantity.SCREEN, first.name(), check.vg2());
        if ("measured".equals(check.screen())) {
            put(values, Quantity.SCREEN_DROP, first.name(), check.g2drop());
        }
        if (!amp.bias().fixed() && !amp.groups().get(0).method().tellsCathodeVolts()) {
            put(values, Quantity.CATHODE, first.name(), check.vk());
        }
        return new RoundForm(
                roundId.toString(),
                null,
                "",
                read.question().meter().name(),
                check.ref(),
                check.limiter(),
                check.reduced(),
                check.pair(),
                check.spread(),
                "",
                values);
    }

    private static void put(Map<String, String> values, Quantity quantity, String point, String text) {
        if (text != null && !text.isBlank()) {
            values.put(RoundForm.key(quantity, point), text);
        }
    }
}
