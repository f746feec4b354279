package yellowrail.app.quickcheck;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.round.RoundState;

/** "Keep this": a quick check becomes an amp with its first round. Only what was measured is kept as measured. */
@Controller
class KeepController {
    private final AmpStore amps;
    private final RoundStore rounds;
    private final TubeStore tubes;
    private final SettingStore settings;
    private final TransactionTemplate together;
    private final Clock clock;

    KeepController(
            AmpStore amps,
            RoundStore rounds,
            TubeStore tubes,
            SettingStore settings,
            TransactionTemplate together,
            Clock clock) {
        this.clock = clock;
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
        FieldErrors complaints = read.complaints();
        read.ask(IdleCheck.answer(read.question(), List.of()));
        KeptCheck kept = new KeptCheck(check, read, complaints);
        Optional<AmpDescription> described = kept.amp(ampName);
        if (described.isPresent()) {
            RoundState state = kept.state();
            OffsetDateTime now = OffsetDateTime.now(clock);
            List<Reading> readings = kept.readings(roundId, described.get(), now);
            if (readings.isEmpty()) {
                complaints.add("round", "Nothing was typed yet: a round needs at least one reading.");
            } else {
                // Both or neither: an amp without its first reading would be half-written.
                together.executeWithoutResult(s -> {
                    Amp amp = amps.keep(keepId, ampId, 0, described.get());
                    rounds.keep(roundId, amp, now, state, "", readings);
                });
                return "redirect:/amps/" + ampId + "?kept=first";
            }
        }
        response.setStatus(422);
        model.addAttribute(
                "sentences",
                complaints.byField().values().stream()
                        .map(FieldErrors.Complaint::sentence)
                        .toList());
        return "quickcheck/not-kept";
    }
}
