package yellowrail.app.quickcheck;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.util.UriComponentsBuilder;
import yellowrail.app.bench.OnTheBench;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.Confirmed;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.SensingFields;
import yellowrail.app.forms.TubeName;
import yellowrail.app.pictures.Statements;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.TubeType;

/** The first page: one sentence, one answer, nothing saved. Its whole state is its address. */
@Controller
class QuickCheckController {
    /** The line for what is in the address and belongs to no field. */
    private static final String ADDRESS = "address";

    private final TubeStore tubes;
    private final SettingStore settings;
    private final OnTheBench bench;

    QuickCheckController(TubeStore tubes, SettingStore settings, OnTheBench bench) {
        this.tubes = tubes;
        this.settings = settings;
        this.bench = bench;
    }

    /** One way out of a question: what to type instead, and the address that has it typed. */
    record Choice(String text, String href) {}

    /** The line under a field. */
    record Line(String field, String sentence, List<Choice> choices) {}

    @GetMapping("/")
    String page(Model model, HttpServletRequest request, HttpServletResponse response) {
        CheckForm form = CheckForm.from(request::getParameter);
        Catalogue catalogue = tubes.catalogueOrLastKnown();
        List<Window> windows = settings.windows();
        CheckReader.Read read = CheckReader.read(form, catalogue, windows, settings.meters());
        IdleAnswer answer = IdleCheck.answer(read.question(), windows);
        boolean anything = request.getParameterMap().values().stream().anyMatch(v -> v.length > 0 && !v[0].isBlank());
        address(request, read);
        read.ask(answer);
        model.addAttribute("form", form);
        model.addAttribute("f", form.answers().texts());
        model.addAttribute("specs", form.answers().byName());
        model.addAttribute("noScreen", read.asksNothingOfScreens());
        model.addAttribute("sensing", SensingFields.ofCheck());
        model.addAttribute("view", CheckView.of(read, answer, anything));
        if (!anything) {
            model.addAttribute("example", WorkedExample.of(catalogue, windows));
        }
        model.addAttribute("lines", lines(read, anything, request));
        model.addAttribute(
                "remarks",
                answer.slips().stream()
                        .filter(s -> !s.asks())
                        .map(Slip::question)
                        .toList());
        model.addAttribute(
                "answers",
                Statements.of(answer.verdict()).answers().stream()
                        .map(a -> new Choice(a.words(), with(request, "bias", a.bias())))
                        .toList());
        model.addAttribute("types", catalogue.types());
        model.addAttribute("editions", editions(read, request));
        model.addAttribute("meters", settings.meters());
        model.addAttribute("profiles", windows);
        model.addAttribute("waiting", bench.waiting());
        Map<String, String> typed = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> {
            if (values.length > 0 && !values[0].isBlank()) {
                typed.put(name, values[0]);
            }
        });
        model.addAttribute("asked", typed);
        model.addAttribute("keepId", UUID.randomUUID());
        model.addAttribute("ceiling", Math.round(100 * read.question().ceiling()));
        response.setHeader("Cache-Control", "no-store");
        response.addHeader("Vary", "HX-Request");
        return request.getHeader("HX-Request") != null ? "quickcheck/answer :: swap" : "quickcheck/page";
    }

    private static List<Line> lines(CheckReader.Read read, boolean asked, HttpServletRequest request) {
        Map<String, Line> lines = new LinkedHashMap<>();
        read.complaints().byField().forEach((field, complaint) -> {
            // An untouched page does not complain that it is empty.
            if (asked) {
                lines.put(field, new Line(field, complaint.sentence(), choices(field, complaint, request)));
            }
        });
        read.lookup()
                .flatMap(TubeName::notOne)
                .ifPresent(n -> lines.put("tube", new Line("tube", n.sentence(), choices(n.near(), request))));
        List<Line> all = new ArrayList<>();
        for (String field : CheckForm.names()) {
            all.add(lines.getOrDefault(field, new Line(field, "", List.of())));
        }
        all.add(lines.getOrDefault(ADDRESS, new Line(ADDRESS, "", List.of())));
        return all;
    }

    /** What could have been meant, and for an unusual value that it is right. */
    private static List<Choice> choices(String field, FieldErrors.Complaint complaint, HttpServletRequest request) {
        List<Choice> choices = new ArrayList<>();
        complaint.choices().forEach(c -> choices.add(new Choice(c, with(request, field, c))));
        if (complaint.asked()) {
            Confirmed before = Confirmed.read(CheckForm.or(request.getParameter("confirmed"), ""));
            String text = CheckForm.or(request.getParameter(field), "");
            choices.add(new Choice(text + " is right", with(request, "confirmed", before.with(field, text))));
        }
        return choices;
    }

    private static List<Choice> choices(List<TubeType> types, HttpServletRequest request) {
        return types.stream()
                .map(t -> new Choice(
                        t.designation()
                                + t.strictest()
                                        .flatMap(r -> r.plateWatts())
                                        .map(f -> " (" + Show.plain(f.value(), 3) + " W)")
                                        .orElse(""),
                        with(request, "tube", t.designation())))
                .toList();
    }

    /** The publications of this type; all but the one in use can be chosen. */
    private static List<Choice> editions(CheckReader.Read read, HttpServletRequest request) {
        var used = read.question().stage().ratings();
        return read.question().stage().type().stream()
                .filter(t -> t.ratings().size() > 1)
                .flatMap(t -> t.ratings().stream())
                .filter(r -> r.plateWatts().isPresent())
                .map(r -> new Choice(
                        r.edition() + " " + Show.plain(r.plateWatts().get().value(), 3) + " W"
                                + (r.plateWatts().get().toBeVerified() ? " (verify)" : ""),
                        used.filter(r::equals).isPresent() ? "" : with(request, "edition", r.edition())))
                .toList();
    }

    /** What the address holds beyond the fields of a check, or twice, is said and not ignored. */
    private static void address(HttpServletRequest request, CheckReader.Read read) {
        request.getParameterMap().forEach((name, values) -> {
            if (!CheckForm.names().contains(name)) {
                read.complaints()
                        .add(ADDRESS, "The address holds “" + FieldErrors.shorten(name) + "”, which is no field here.");
            } else if (Arrays.stream(values).distinct().count() > 1) {
                read.complaints()
                        .add(name, "The address holds two values for this: " + String.join(" and ", values) + ".");
            }
        });
    }

    /** The page's own address with one field changed. */
    private static String with(HttpServletRequest request, String field, String value) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/");
        request.getParameterMap().forEach((name, values) -> {
            if (!name.equals(field) && values.length > 0 && !values[0].isBlank()) {
                address.queryParam(name, "{" + name + "}");
            }
        });
        address.queryParam(field, "{" + field + "}");
        Map<String, Object> all = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> all.put(name, values.length > 0 ? values[0] : ""));
        all.put(field, value);
        return address.encode().buildAndExpand(all).toUriString();
    }
}
