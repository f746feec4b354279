package yellowrail.app.rounds;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.Texts;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.targets.Targets;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Understanding;
import yellowrail.core.round.Quantity;
import yellowrail.core.tube.Lookup;

/** Entering a round, looking at it, and correcting one of its readings by a new one. */
@Controller
class RoundController {
    private final RoundStore rounds;
    private final AmpStore amps;
    private final SettingStore settings;
    private final TubeStore tubes;
    private final Targets targets;
    private final Clock clock;

    RoundController(
            RoundStore rounds, AmpStore amps, SettingStore settings, Targets targets, TubeStore tubes, Clock clock) {
        this.clock = clock;
        this.rounds = rounds;
        this.amps = amps;
        this.settings = settings;
        this.targets = targets;
        this.tubes = tubes;
    }

    @GetMapping("/amps/{ampId}/rounds/new")
    String fresh(@PathVariable UUID ampId, Model model) {
        RoundForm form = RoundForm.of(UUID.randomUUID().toString(), Map.of());
        return form(amps.amp(ampId), form, new FieldErrors(), model);
    }

    @PostMapping("/amps/{ampId}/rounds")
    String keep(
            @PathVariable UUID ampId,
            @RequestParam UUID id,
            @RequestParam int ampVersion,
            HttpServletRequest request,
            Model model,
            HttpServletResponse response) {
        Amp amp = amps.amp(ampId, ampVersion);
        RoundForm form = typed(request);
        RoundReader.Read read =
                RoundReader.read(form, amp.description(), id, settings.meters(), OffsetDateTime.now(clock));
        rounds.ask(amp, read, form.confirmedPoints());
        if (read.complaints().any()) {
            response.setStatus(read.complaints().refused() ? 422 : 409);
            return form(amp, form, read.complaints(), model);
        }
        try {
            rounds.keep(id, amp, read.takenAt(), read.state(), form.text(RoundFields.NOTE), read.readings());
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            read.complaints().add("round", stored.getMessage());
            return form(amp, form, read.complaints(), model);
        }
        return "redirect:/rounds/" + id + "?kept";
    }

    private static RoundForm typed(HttpServletRequest request) {
        Map<String, String> values = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, texts) -> {
            if (name.startsWith("v.") && texts.length > 0) {
                values.put(name.substring(2), texts[0]);
            }
        });
        Map<String, String> said = new LinkedHashMap<>();
        RoundFields.ALL.forEach(f -> said.put(f.name(), request.getParameter(f.name())));
        // The page shows their boxes: left empty they are not sent, and say no.
        List.of(CheckFields.LIMITER, CheckFields.REDUCED).forEach(f -> said.putIfAbsent(f.name(), "no"));
        return new RoundForm(
                request.getParameter("id"),
                null,
                said,
                values,
                Optional.ofNullable(request.getParameterValues("confirmed"))
                        .map(List::of)
                        .orElse(List.of()));
    }

    private String form(Amp amp, RoundForm form, FieldErrors complaints, Model model) {
        AmpDescription description = amp.description();
        model.addAttribute("amp", amp);
        model.addAttribute("a", description);
        model.addAttribute("form", form);
        model.addAttribute("specs", RoundFields.ALL.stream().collect(Collectors.toMap(FieldSpec::name, f -> f)));
        model.addAttribute("said", complaints.byField());
        model.addAttribute(
                "points",
                RoundReader.points(description).stream()
                        .filter(p -> hasScreen(description, p))
                        .toList());
        model.addAttribute("meters", settings.meters());
        model.addAttribute("last", last(amp));
        model.addAttribute("sharedPoints", description.groups().stream().anyMatch(g -> g.shared()));
        return "rounds/form";
    }

    /** A triode's screen is not asked about. */
    private boolean hasScreen(AmpDescription amp, RoundReader.Point point) {
        boolean ofScreen = point.quantity() == Quantity.SCREEN || point.quantity() == Quantity.SCREEN_DROP;
        return !ofScreen
                || amp.sockets().stream()
                        .filter(s -> s.name().equals(point.name()))
                        .map(s -> tubes.catalogueOrLastKnown().find(s.tubeType()))
                        .allMatch(l -> !(l instanceof Lookup.Found found)
                                || found.type().hasScreen());
    }

    /** Last round's readings, to stand beside the fields. */
    private Map<String, String> last(Amp amp) {
        Map<String, String> texts = new LinkedHashMap<>();
        List<Round> all = rounds.rounds(amp.id());
        if (!all.isEmpty()) {
            all.get(all.size() - 1).holding().forEach(r -> texts.put(RoundForm.key(r.quantity(), r.point()), r.echo()));
        }
        return texts;
    }

    @GetMapping("/rounds/{id}")
    String round(@PathVariable UUID id, Model model) {
        Round round = rounds.round(id);
        model.addAttribute("round", RoundView.of(round, targets.windows(round.amp())));
        return "rounds/round";
    }

    @GetMapping("/rounds/{roundId}/readings/{readingId}/correct")
    String correction(@PathVariable UUID roundId, @PathVariable UUID readingId, Model model) {
        return correction(roundId, readingId, UUID.randomUUID(), "", "", Optional.empty(), model);
    }

    @PostMapping("/rounds/{roundId}/readings/{readingId}/correct")
    String correct(
            @PathVariable UUID roundId,
            @PathVariable UUID readingId,
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String confirmed,
            Model model,
            HttpServletResponse response) {
        Round round = rounds.round(roundId);
        Reading old = reading(round, readingId);
        Understanding made =
                MeterText.understand(text, RoundReader.field(round.amp().description(), old.quantity(), old.point()));
        Optional<Typed> typed = made.value();
        if (typed.isEmpty() || reason.isBlank() || reason.length() > Texts.SENTENCE) {
            response.setStatus(422);
            String sentence = typed.isEmpty()
                    ? made.complaint().orElse("Type the value as it should have been.")
                    : reason.isBlank()
                            ? "Say in a few words why it is corrected."
                            : Texts.tooLong(Texts.SENTENCE, reason);
            return correction(roundId, readingId, id, text, reason, Optional.of(sentence), model);
        }
        FieldErrors complaints = new FieldErrors();
        rounds.ask(round, old, typed.get(), confirmed.equals(text), complaints);
        if (complaints.any()) {
            FieldErrors.Complaint said = complaints.byField().get("text");
            response.setStatus(said.asked() ? 409 : 422);
            model.addAttribute("choices", said.choices());
            model.addAttribute("asked", said.asked());
            return correction(roundId, readingId, id, text, reason, Optional.of(said.sentence()), model);
        }
        try {
            rounds.correct(id, readingId, typed.get(), reason.strip());
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            return correction(roundId, readingId, id, text, reason, Optional.of(stored.getMessage()), model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            return correction(roundId, readingId, id, text, reason, Optional.of(ErrorTexts.DATABASE), model);
        }
        return "redirect:/rounds/" + roundId + "?kept";
    }

    private String correction(
            UUID roundId, UUID readingId, UUID id, String text, String reason, Optional<String> sentence, Model model) {
        Round round = rounds.round(roundId);
        Reading old = reading(round, readingId);
        model.addAttribute("roundId", roundId);
        model.addAttribute("ampName", round.amp().description().name());
        model.addAttribute("old", old);
        model.addAttribute("id", id);
        model.addAttribute("text", text);
        model.addAttribute("reason", reason);
        model.addAttribute("sentence", sentence.orElse(""));
        if (!model.containsAttribute("choices")) {
            model.addAttribute("choices", List.of());
            model.addAttribute("asked", false);
        }
        return "rounds/correct";
    }

    private static Reading reading(Round round, UUID id) {
        return round.readings().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotThere("reading " + id));
    }
}
