package yellowrail.app.load;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.load.Lead;
import yellowrail.core.load.LeadNotes;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.PublishedLoads;
import yellowrail.core.load.UnknownTransformer;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** An unmarked transformer: what readings between its leads tell. Its whole state is in the address. */
@Controller
class UnknownController {
    private static final List<String> COLOURS =
            List.of("blue", "red", "brown", "black", "green", "yellow", "orange", "white");

    /** One winding: what it is, its leads in order, and in words. */
    record Line(String name, List<String> leads, String words) {}

    /** One way the taps could be meant, and the load page with the same readings. */
    record Way(String taps, String primary, List<String> near, String query) {}

    @GetMapping("/load/unknown")
    String page(HttpServletRequest request, HttpServletResponse response, Model model) {
        Answers answers = Answers.usual(UnknownFields.ALL).said(request::getParameter);
        FieldErrors complaints = new FieldErrors();
        LeadNotes.Read read = LeadNotes.read(answers.read(UnknownFields.NOTES, complaints));
        if (!read.complaint().isEmpty()) {
            complaints.add(UnknownFields.NOTES.name(), read.complaint());
        }
        UnknownTransformer found = UnknownTransformer.of(read);
        model.addAttribute("f", answers.texts());
        model.addAttribute("specs", answers.byName());
        model.addAttribute("said", complaints.byField());
        model.addAttribute("asked", !answers.blank(UnknownFields.NOTES));
        model.addAttribute("found", found);
        model.addAttribute("others", others(read, found));
        model.addAttribute("lines", complaints.any() ? List.of() : lines(found));
        model.addAttribute(
                "uses", found.uses().stream().map(use -> way(use, read)).toList());
        response.setHeader("Cache-Control", "no-store");
        response.addHeader("Vary", "HX-Request");
        return request.getHeader("HX-Request") != null ? "load/unknown :: answer" : "load/unknown";
    }

    /** Leads that stand in no winding yet: named ones, and usual colours to begin with. */
    private static List<String> others(LeadNotes.Read read, UnknownTransformer found) {
        List<String> drawn =
                found.windings().stream().flatMap(w -> w.leads().stream()).toList();
        return Stream.concat(read.leads().stream(), COLOURS.stream())
                .distinct()
                .filter(lead -> !drawn.contains(lead))
                .toList();
    }

    private static List<Line> lines(UnknownTransformer found) {
        List<Line> lines = new ArrayList<>();
        for (UnknownTransformer.Winding w : found.windings()) {
            boolean primary = found.primary().filter(w::equals).isPresent();
            List<String> words = new ArrayList<>();
            words.add(w.first() + " and " + w.last() + " are its ends, " + LoadWords.plainOhms(w.ohms()) + " DC");
            w.centre()
                    .filter(c -> primary)
                    .ifPresent(c -> words.add(c
                            + (w.centreByVolts()
                                    ? " is its centre, by equal volts"
                                    : " is about its middle by the ohms")));
            List<String> taps = new ArrayList<>(w.taps());
            w.centre().filter(c -> !primary).ifPresent(c -> taps.add(0, c));
            if (!taps.isEmpty()) {
                words.add(String.join(", ", taps) + (primary ? " between: screen taps" : " between: taps"));
            }
            lines.add(new Line(
                    primary ? "primary" : found.primary().isPresent() ? "secondary" : "winding",
                    w.leads(),
                    String.join("; ", words) + "."));
        }
        return lines;
    }

    private static Way way(UnknownTransformer.Use use, LeadNotes.Read read) {
        String taps = use.taps().entrySet().stream()
                .map(e -> e.getKey() + " for " + Show.plain(e.getValue(), 3) + " Ω")
                .collect(Collectors.joining(", "));
        return new Way(
                taps,
                LoadWords.plainOhms(use.primaryOhms()),
                use.near().stream().map(PublishedLoads.Load::words).toList(),
                query(use, read));
    }

    /** The same readings as the load page asks for them. */
    private static String query(UnknownTransformer.Use use, LeadNotes.Read read) {
        Map<String, Double> taps = use.taps();
        Answers answers = Answers.usual(LoadFields.ALL)
                .known(
                        LoadFields.TAPS,
                        Optional.of(taps.values().stream().distinct().toList()));
        Iterator<LoadFields.Row> rows = LoadFields.ROWS.iterator();
        for (LeadNotes.Volts v : read.volts()) {
            Optional<Lead> low = tap(taps.get(v.read() + "–" + v.readTo()));
            Optional<Lead> high = tap(taps.get(v.driven() + "–" + v.drivenTo()));
            if (low.isEmpty() && high.isEmpty() || !rows.hasNext()) {
                continue;
            }
            Optional<Lead> primary = Optional.of(Lead.PRIMARY);
            LoadFields.Row row = rows.next();
            answers = answers.known(row.driven(), low.isPresent() ? primary : high)
                    .known(row.drive(), Optional.of(Typed.of(v.drive(), Unit.VOLT)))
                    .known(row.other(), low.isPresent() ? low : primary)
                    .known(row.volts(), Optional.of(Typed.of(v.volts(), Unit.VOLT)));
        }
        return answers.query();
    }

    private static Optional<Lead> tap(Double ohms) {
        return Optional.ofNullable(ohms).map(z -> new Lead(Lead.Part.SECONDARY, z));
    }
}
