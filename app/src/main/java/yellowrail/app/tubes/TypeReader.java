package yellowrail.app.tubes;

import static yellowrail.app.forms.CheckForm.or;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.Complaints;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeType;

/** Makes a tube type of a form. A correction keeps what the form does not ask for: pins, envelope, other publications. */
final class TypeReader {
    private static final Map<String, RatingSystem> SYSTEMS = Map.of(
            "DESIGN_CENTRE", RatingSystem.DESIGN_CENTRE,
            "DESIGN_MAXIMUM", RatingSystem.DESIGN_MAXIMUM,
            "ABSOLUTE", RatingSystem.ABSOLUTE,
            "UNSTATED", RatingSystem.UNSTATED);

    private final TypeForm form;
    private final Complaints complaints = new Complaints();

    private TypeReader(TypeForm form) {
        this.form = form;
    }

    record Read(Optional<TubeType> type, Complaints complaints) {}

    /** @param before the entry that is corrected, or empty for a new one */
    static Read read(TypeForm form, Optional<TubeType> before) {
        TypeReader reader = new TypeReader(form);
        Optional<TubeType> type = reader.type(before);
        return new Read(reader.complaints.any() ? Optional.empty() : type, reader.complaints);
    }

    private Optional<TubeType> type(Optional<TubeType> before) {
        String designation = or(form.designation(), "");
        if (designation.isEmpty() || designation.length() > 40) {
            complaints.add("designation", "A designation has 1 to 40 characters.");
        }
        String source = or(form.source(), "");
        if (source.isEmpty() || source.length() > 200) {
            complaints.add(
                    "source",
                    "Say where the figures come from, in 1 to 200 characters: the maker's sheet and its date.");
        }
        Ratings ratings = new Ratings(
                complaints.pick("system", form.system(), SYSTEMS, RatingSystem.UNSTATED),
                "own: " + source,
                figure("plateWatts", form.plateWatts(), Unit.WATT, Prefix.NONE, 1, 300),
                figure("screenWatts", form.screenWatts(), Unit.WATT, Prefix.NONE, 0.2, 60),
                figure("combinedWatts", form.combinedWatts(), Unit.WATT, Prefix.NONE, 1, 350),
                figure("plateVolts", form.plateVolts(), Unit.VOLT, Prefix.NONE, 50, 3000),
                figure("screenVolts", form.screenVolts(), Unit.VOLT, Prefix.NONE, 50, 1500),
                figure("cathodeAmperes", form.cathodeAmperes(), Unit.AMPERE, Prefix.MILLI, 0.01, 2),
                figure("gridFixed", form.gridFixed(), Unit.OHM, Prefix.NONE, 1e3, 10e6),
                figure("gridCathode", form.gridCathode(), Unit.OHM, Prefix.NONE, 1e3, 10e6));
        if (ratings.plateWatts().isEmpty() && !complaints.has("plateWatts")) {
            complaints.add("plateWatts", "The plate dissipation is what everything is compared with: it is needed.");
        }
        Optional<Figure> heaterVolts = figure("heaterVolts", form.heaterVolts(), Unit.VOLT, Prefix.NONE, 1, 60);
        Optional<Figure> heaterAmperes =
                figure("heaterAmperes", form.heaterAmperes(), Unit.AMPERE, Prefix.NONE, 0.05, 20);
        Optional<ScreenShare> share = share();
        if (complaints.any()) {
            return Optional.empty();
        }
        List<Ratings> all = new ArrayList<>(List.of(ratings));
        before.ifPresent(b -> all.addAll(others(b)));
        return Optional.of(new TubeType(
                designation,
                Arrays.stream(or(form.aliases(), "").split("[,;]"))
                        .map(String::strip)
                        .filter(s -> !s.isEmpty())
                        .toList(),
                before.map(TubeType::construction).orElse(""),
                before.flatMap(TubeType::pinout),
                heaterVolts,
                heaterAmperes,
                all,
                share,
                before.map(TubeType::envelope).orElse(Envelope.unknown()),
                before.map(TubeType::related).orElse(Map.of()),
                source,
                true));
    }

    /** The publications a correction does not replace: all but the strictest, which is the one that was shown. */
    private static List<Ratings> others(TubeType before) {
        return before.ratings().stream()
                .filter(r -> !r.equals(before.strictest().orElse(null)))
                .toList();
    }

    private Optional<Figure> figure(String name, String text, Unit unit, Prefix shown, double low, double high) {
        Optional<Typed> typed = complaints.quantity(
                name, text, Field.of("this figure", unit, shown, low, high).aboveZero());
        return typed.map(t -> new Figure(t.value(), false));
    }

    private Optional<ScreenShare> share() {
        Field percent = Field.of("a screen share", Unit.PERCENT, Prefix.NONE, 0.5, 50);
        Optional<Typed> share = complaints.quantity("share", form.share(), percent);
        Optional<Typed> band = complaints.quantity("band", form.band(), percent);
        if (share.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new ScreenShare(
                    share.get().value() / 100,
                    band.map(Typed::value).orElse(share.get().value() / 3) / 100));
        } catch (IllegalArgumentException refused) {
            complaints.add(
                    "share",
                    Character.toUpperCase(refused.getMessage().charAt(0))
                            + refused.getMessage().substring(1) + ".");
            return Optional.empty();
        }
    }
}
