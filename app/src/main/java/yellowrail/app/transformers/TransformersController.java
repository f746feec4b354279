package yellowrail.app.transformers;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.Topology;

/** The shelf of transformers, and one of them with its readings and where it is fitted. */
@Controller
class TransformersController {
    private static final String SHELF = "shelf";

    private final TransformerStore transformers;
    private final AmpStore amps;

    TransformersController(TransformerStore transformers, AmpStore amps) {
        this.transformers = transformers;
        this.amps = amps;
    }

    @GetMapping("/transformers")
    String all(Model model) {
        EachShown<KeptTransformer> all = transformers.all();
        EachShown<TransformerView> views = EachShown.of(
                all.shown(),
                t -> TransformerView.of(t, place(t)),
                t -> "the transformer " + t.description().name());
        model.addAttribute("items", views.shown());
        model.addAttribute("broken", views.brokenAnd(all.broken()));
        return "transformers/all";
    }

    @GetMapping("/transformers/{id}")
    String one(@PathVariable UUID id, @RequestParam(defaultValue = "") String kept, Model model) {
        model.addAttribute("kept", !kept.isEmpty());
        return page(id, List.of(), model);
    }

    /** Where a transformer can go: {@code amp/channel} with its words. */
    record Place(String key, String words, boolean here) {}

    private String page(UUID id, List<String> refusals, Model model) {
        KeptTransformer one = transformers.transformer(id);
        List<Place> places = new ArrayList<>();
        places.add(new Place(SHELF, "on the shelf", one.fitted().isEmpty()));
        for (Amp amp : amps.all()) {
            int channels = (int) amp.description().sockets().stream()
                    .map(s -> s.channel())
                    .distinct()
                    .count();
            boolean fits = one.description().windings().pushPull()
                    == (amp.description().stage().topology() == Topology.PUSH_PULL);
            for (int channel = 1; channel <= channels && fits; channel++) {
                places.add(new Place(
                        amp.id() + "/" + channel,
                        words(amp, channel, channels),
                        one.fitted().equals(Optional.of(new KeptTransformer.Fitted(amp.id(), channel)))));
            }
        }
        model.addAttribute("t", TransformerView.of(one, place(one)));
        model.addAttribute("readings", TransformerView.readings(one));
        model.addAttribute("places", places);
        model.addAttribute("fitted", one.fitted().orElse(null));
        model.addAttribute("entry", UUID.randomUUID());
        model.addAttribute("refusals", refusals);
        return "transformers/one";
    }

    private static String words(Amp amp, int channel, int channels) {
        return amp.description().name() + (channels > 1 ? ", channel " + channel : "");
    }

    private String place(KeptTransformer transformer) {
        return transformer
                .fitted()
                .map(f -> words(amps.amp(f.ampId()), f.channel(), f.channel() > 1 ? 2 : 1))
                .orElse("on the shelf");
    }

    @PostMapping("/transformers/{id}/fit")
    String fit(
            @PathVariable UUID id,
            @RequestParam UUID entry,
            @RequestParam String place,
            HttpServletResponse response,
            Model model) {
        return done(id, () -> transformers.fit(entry, id, where(place)), response, model);
    }

    /** @throws NotThere for a place that is none: no such amp, or no such channel of it */
    private Optional<KeptTransformer.Fitted> where(String place) {
        if (place.equals(SHELF)) {
            return Optional.empty();
        }
        if (!place.matches("[0-9a-f-]{36}/\\d")) {
            throw new NotThere("place “" + FieldErrors.shorten(place) + "” for a transformer");
        }
        Amp amp = amps.amp(UUID.fromString(place.substring(0, 36)));
        int channel = Integer.parseInt(place.substring(37));
        if (amp.description().sockets().stream().noneMatch(s -> s.channel() == channel)) {
            throw new NotThere("channel " + channel + " of " + amp.description().name());
        }
        return Optional.of(new KeptTransformer.Fitted(amp.id(), channel));
    }

    @PostMapping("/transformers/{id}/readings/{reading}/strike")
    String strike(
            @PathVariable UUID id,
            @PathVariable UUID reading,
            @RequestParam UUID entry,
            @RequestParam(defaultValue = "") String reason,
            HttpServletResponse response,
            Model model) {
        String why = reason.strip();
        if (why.isEmpty() || why.length() > TransformerStore.LONGEST_REASON) {
            response.setStatus(422);
            return page(
                    id,
                    List.of("Say in 1 to " + TransformerStore.LONGEST_REASON
                            + " characters why this reading does not count: it stays, struck through."),
                    model);
        }
        return done(id, () -> transformers.strike(entry, id, reading, why), response, model);
    }

    private String done(UUID id, Runnable act, HttpServletResponse response, Model model) {
        try {
            act.run();
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            return page(id, List.of(stored.getMessage()), model);
        }
        return "redirect:/transformers/" + id + "?kept=yes";
    }
}
