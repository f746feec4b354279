package yellowrail.app.overview;

import java.util.List;
import java.util.Map;
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
import yellowrail.app.forms.Words;
import yellowrail.app.pictures.PinFinder;
import yellowrail.app.pictures.SocketMap;
import yellowrail.app.rounds.Comparison;
import yellowrail.app.rounds.History;
import yellowrail.app.rounds.Round;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.rounds.RoundView;
import yellowrail.app.swap.AcceptedSwaps;
import yellowrail.app.targets.Targets;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Lookup;

/** All amps, one amp with what was measured on it, and two of its rounds side by side. */
@Controller
class OverviewController {
    private final AmpStore amps;
    private final RoundStore rounds;
    private final TubeStore tubes;
    private final Targets targets;
    private final TransformerStore transformers;
    private final AcceptedSwaps swaps;

    OverviewController(
            AmpStore amps,
            RoundStore rounds,
            TubeStore tubes,
            Targets targets,
            TransformerStore transformers,
            AcceptedSwaps swaps) {
        this.swaps = swaps;
        this.transformers = transformers;
        this.amps = amps;
        this.rounds = rounds;
        this.tubes = tubes;
        this.targets = targets;
    }

    /** An amp in the list. */
    record Item(Amp amp, String what, Optional<RoundView> last) {}

    @GetMapping("/amps")
    String all(Model model) {
        EachShown<Round> last = rounds.newest();
        Map<UUID, Round> newest = RoundStore.byAmp(last.shown());
        EachShown<Item> items = EachShown.of(
                amps.all(),
                a -> new Item(
                        a,
                        what(a.description()),
                        Optional.ofNullable(newest.get(a.id())).map(r -> RoundView.of(r, targets.judging(a)))),
                a -> "the last round of " + a.description().name());
        model.addAttribute("items", items.shown());
        model.addAttribute("broken", items.brokenAnd(last.brokenAnd(amps.broken())));
        model.addAttribute("away", amps.away());
        return "overview/amps";
    }

    /** Puts an amp away or brings it back. */
    @PostMapping("/amps/{id}/shelf")
    String shelve(@PathVariable UUID id, @RequestParam UUID entry, @RequestParam String away) {
        Boolean yes = Words.YES_NO.get(away);
        if (yes == null) {
            throw new NotThere("answer “" + FieldErrors.shorten(away) + "” to whether the amp is put away");
        }
        amps.shelve(entry, id, yes);
        return yes ? "redirect:/amps" : "redirect:/amps/" + id;
    }

    @GetMapping("/amps/{id}")
    String amp(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "below") String view,
            @RequestParam(defaultValue = "") String kept,
            Model model) {
        Amp amp = amps.amp(id);
        AmpDescription description = amp.description();
        List<Window> windows = targets.windows(amp);
        EachShown<Round> each = rounds.each(id);
        List<Round> all = each.shown();
        Optional<Round> last = all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
        boolean fromBelow = !view.equals("above");
        model.addAttribute("amp", amp);
        model.addAttribute("broken", each.broken());
        model.addAttribute("a", description);
        model.addAttribute("what", what(description));
        model.addAttribute("away", amps.isAway(id));
        model.addAttribute("entry", UUID.randomUUID());
        model.addAttribute("kept", !kept.isEmpty());
        model.addAttribute("fromBelow", fromBelow);
        // A round taken before the sockets changed cannot be drawn on the present ones.
        model.addAttribute(
                "map",
                SocketMap.of(
                        description,
                        last.filter(r -> r.amp().version() == amp.version() || sameSockets(r, description))
                                .map(r -> r.judged(windows)),
                        fromBelow));
        model.addAttribute(
                "pins",
                description.stage().tubeTypes().stream()
                        .map(t -> tubes.catalogue().find(t))
                        .filter(Lookup.Found.class::isInstance)
                        .map(l -> ((Lookup.Found) l).type())
                        .flatMap(
                                t -> PinFinder.of(t, description.groups().get(0).method(), fromBelow).stream())
                        .toList());
        model.addAttribute("transformers", transformers.of(id));
        model.addAttribute(
                "swap",
                swaps.newestOf(id).filter(s -> s.version() == amp.version()).orElse(null));
        model.addAttribute("computed", targets.computed(amp));
        model.addAttribute("last", last.map(r -> RoundView.of(r, windows)));
        model.addAttribute("history", History.of(all, windows));
        return "overview/amp";
    }

    /** The one-tap answer to the open question of an amp's verdict, kept as a version of its description. */
    @PostMapping("/amps/{id}/bias")
    String tellBias(@PathVariable UUID id, @RequestParam String bias, @RequestParam(defaultValue = "") String round) {
        amps.tellBias(
                id,
                Words.fixedBias(bias)
                        .orElseThrow(() ->
                                new NotThere("answer “" + FieldErrors.shorten(bias) + "” to how the bias behaves")));
        return round.matches("[0-9a-f-]{36}") ? "redirect:/rounds/" + round : "redirect:/amps/" + id;
    }

    /** The one-tap answer to what is played, kept as a version of the amp's description. */
    @PostMapping("/amps/{id}/duty")
    String tellDuty(@PathVariable UUID id, @RequestParam String duty) {
        amps.tellDuty(
                id,
                Words.duty(duty)
                        .orElseThrow(
                                () -> new NotThere("answer “" + FieldErrors.shorten(duty) + "” to what is played")));
        return "redirect:/amps/" + id;
    }

    private static boolean sameSockets(Round round, AmpDescription now) {
        return round.amp().description().sockets().equals(now.sockets());
    }

    @GetMapping("/amps/{id}/compare")
    String compare(
            @PathVariable UUID id,
            @RequestParam(required = false) UUID a,
            @RequestParam(required = false) UUID b,
            Model model) {
        List<Round> all = rounds.rounds(id);
        Optional<Round> second = pick(all, b, all.size() - 1);
        Optional<Round> first = pick(all, a, all.size() - 2);
        Amp amp = amps.amp(id);
        List<Window> windows = targets.windows(amp);
        model.addAttribute("amp", amp);
        model.addAttribute("history", History.of(all, windows));
        model.addAttribute("first", first.map(Round::id).orElse(null));
        model.addAttribute("second", second.map(Round::id).orElse(null));
        model.addAttribute(
                "comparison",
                first.isPresent() && second.isPresent()
                        ? Optional.of(Comparison.of(first.get(), second.get(), windows))
                        : Optional.empty());
        return "overview/compare";
    }

    private static Optional<Round> pick(List<Round> all, UUID id, int otherwise) {
        return all.stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .or(() ->
                        otherwise >= 0 && otherwise < all.size() ? Optional.of(all.get(otherwise)) : Optional.empty());
    }

    /** An amp in half a line. */
    private static String what(AmpDescription amp) {
        int channels =
                (int) amp.sockets().stream().map(s -> s.channel()).distinct().count();
        return (channels == 2 ? "stereo, " : "") + amp.sockets().size() + " × "
                + String.join(" and ", amp.stage().tubeTypes())
                + ", " + amp.stage().topology().words() + " "
                + amp.stage().connection().words() + ", "
                + amp.bias().scheme().words();
    }
}
