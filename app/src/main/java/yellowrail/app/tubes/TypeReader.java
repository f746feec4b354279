package yellowrail.app.tubes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.WithSignal;

/** Makes a tube type of a form. A correction keeps what the form does not ask for: pins, envelope, other publications. */
final class TypeReader {
    private static final Map<String, RatingSystem> SYSTEMS = Map.of(
            "DESIGN_CENTRE", RatingSystem.DESIGN_CENTRE,
            "DESIGN_MAXIMUM", RatingSystem.DESIGN_MAXIMUM,
            "ABSOLUTE", RatingSystem.ABSOLUTE,
            "UNSTATED", RatingSystem.UNSTATED);

    /** The limits that own types give as a figure or as not published. */
    private static final Map<Limit, String> OWED = Map.of(
            Limit.PLATE_VOLTS, "plateVolts",
            Limit.SCREEN_WATTS, "screenWatts",
            Limit.SCREEN_VOLTS, "screenVolts");

    private static final Map<String, Limit> DECLARED = Map.of(
            "PLATE_VOLTS", Limit.PLATE_VOLTS,
            "SCREEN_WATTS", Limit.SCREEN_WATTS,
            "SCREEN_VOLTS", Limit.SCREEN_VOLTS,
            "COMBINED_WATTS", Limit.COMBINED_WATTS,
            "CATHODE_AMPERES", Limit.CATHODE_AMPERES);

    private static final Map<String, TubeKind> KINDS = Map.of(
            "BEAM_TETRODE", TubeKind.BEAM_TETRODE,
            "PENTODE", TubeKind.PENTODE,
            "TRIODE", TubeKind.TRIODE,
            "UNKNOWN", TubeKind.UNKNOWN);

    private final TypeForm form;
    private final Catalogue catalogue;
    private final Optional<TubeType> before;
    private final FieldErrors complaints = new FieldErrors();

    private TypeReader(TypeForm form, Catalogue catalogue, Optional<TubeType> before) {
        this.form = form;
        this.catalogue = catalogue;
        this.before = before;
    }

    record Read(Optional<TubeType> type, FieldErrors complaints) {}

    /**
     * @param catalogue the types there are
     * @param before the entry that is corrected, or empty for a new one
     */
    static Read read(TypeForm form, Catalogue catalogue, Optional<TubeType> before) {
        TypeReader reader = new TypeReader(form, catalogue, before);
        Optional<TubeType> type = reader.type();
        return new Read(reader.complaints.any() ? Optional.empty() : type, reader.complaints);
    }

    private Optional<TubeType> type() {
        String designation = designation();
        List<String> aliases = aliases(designation);
        String source = Texts.line(form.source());
        if (source.isEmpty() || source.length() > Texts.SENTENCE) {
            complaints.add(
                    "source",
                    "Say where the figures come from, in 1 to " + Texts.SENTENCE
                            + " characters: the maker's sheet and its date.");
        }
        TubeKind kind = complaints.pick("kind", form.kind(), KINDS, TubeKind.UNKNOWN);
        Ratings ratings = new Ratings(
                complaints.pick("system", form.system(), SYSTEMS, RatingSystem.UNSTATED),
                "own: " + source,
                figure("plateWatts", form.plateWatts(), Unit.WATT, Prefix.NONE, 1, 1000),
                figure("screenWatts", form.screenWatts(), Unit.WATT, Prefix.NONE, 0.2, 60),
                figure("combinedWatts", form.combinedWatts(), Unit.WATT, Prefix.NONE, 1, 1200),
                figure("plateVolts", form.plateVolts(), Unit.VOLT, Prefix.NONE, 50, 6000),
                figure("screenVolts", form.screenVolts(), Unit.VOLT, Prefix.NONE, 50, 1500),
                figure("cathodeAmperes", form.cathodeAmperes(), Unit.AMPERE, Prefix.MILLI, 0.01, 2),
                figure("gridFixed", form.gridFixed(), Unit.OHM, Prefix.NONE, 1e3, 10e6),
                figure("gridCathode", form.gridCathode(), Unit.OHM, Prefix.NONE, 1e3, 10e6),
                declared(),
                new WithSignal(
                        figure("peakPlateVolts", form.peakPlateVolts(), Unit.VOLT, Prefix.NONE, 50, 15000),
                        figure("signalScreenWatts", form.signalScreenWatts(), Unit.WATT, Prefix.NONE, 0.2, 120)));
        notBelow("peakPlateVolts", ratings.withSignal().peakPlateVolts(), ratings.plateVolts(), Limit.PLATE_VOLTS);
        notBelow("signalScreenWatts", ratings.withSignal().screenWatts(), ratings.screenWatts(), Limit.SCREEN_WATTS);
        limits(ratings, kind);
        if (ratings.plateWatts().isEmpty() && !complaints.has("plateWatts")) {
            complaints.add("plateWatts", "The plate dissipation is what everything is compared with: it is needed.");
        }
        Optional<Figure> heaterVolts = figure("heaterVolts", form.heaterVolts(), Unit.VOLT, Prefix.NONE, 1, 60);
        Optional<Figure> heaterAmperes =
                figure("heaterAmperes", form.heaterAmperes(), Unit.AMPERE, Prefix.NONE, 0.05, 20);
        Optional<ScreenShare> share = share();
        Optional<Figure> gm =
                figure("transconductance", form.transconductance(), Unit.SIEMENS, Prefix.MILLI, 0.1e-3, 100e-3);
        Optional<Pinout> pinout = PinsText.read(form, before.flatMap(TubeType::pinout), complaints);
        if (complaints.any()) {
            return Optional.empty();
        }
        List<Ratings> all = new ArrayList<>(List.of(ratings));
        before.ifPresent(b -> all.addAll(others(b)));
        return Optional.of(new TubeType(
                designation,
                aliases,
                before.map(TubeType::construction).orElse(kind.words()),
                pinout,
                heaterVolts,
                heaterAmperes,
                all,
                share,
                before.map(TubeType::envelope).orElse(Envelope.unknown()),
                before.map(TubeType::related).orElse(Map.of()),
                source,
                true,
                kind,
                gm));
    }

    private String designation() {
        String designation = Texts.line(form.designation());
        if (designation.isEmpty() || designation.length() > Texts.DESIGNATION) {
            complaints.add("designation", "A designation has 1 to 40 characters.");
        } else if (!named(designation)) {
            complaints.add("designation", NAMED);
        } else if (before.isPresent() && !designation.equals(before.get().designation())) {
            complaints.add(
                    "designation",
                    "A correction keeps the designation " + before.get().designation()
                            + ". Enter a type of another name as a new one.");
        } else if (before.isEmpty() && Catalogue.isFamily(designation)) {
            complaints.add("designation", family(designation));
        } else if (before.isEmpty() && catalogue.find(designation) instanceof Lookup.Found found) {
            complaints.add(
                    "designation",
                    found.type().designation()
                            + " is in the catalogue: open it and choose “Correct it”, so that it starts"
                            + " from the figures there are.");
        }
        return designation;
    }

    private static final Pattern DESIGNATION = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N} ./+()_*-]*");
    private static final String NAMED =
            "A designation begins with a letter or a figure and holds letters, figures, blanks and . / + - ( ) _ *.";

    /** What is printed on a tube, and can stand in an address; "new" is the address of the empty form. */
    private static boolean named(String designation) {
        return DESIGNATION.matcher(designation).matches() && !designation.equalsIgnoreCase("new");
    }

    private static String family(String name) {
        return "“" + name
                + "” stands for several types with different limits: give the exact one, as printed on the tube.";
    }

    private List<String> aliases(String designation) {
        List<String> aliases = Arrays.stream(Texts.line(form.aliases()).split("[,;]"))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
        for (String alias : aliases) {
            if (alias.length() > Texts.DESIGNATION) {
                complaints.add("aliases", "A designation has 1 to 40 characters.");
            } else if (!named(alias)) {
                complaints.add("aliases", NAMED);
            } else if (Catalogue.isFamily(alias)) {
                complaints.add("aliases", family(alias));
            } else if (catalogue.find(alias) instanceof Lookup.Found found
                    && !found.type().designation().equals(designation)) {
                complaints.add(
                        "aliases",
                        "“" + alias + "” already means " + found.type().designation()
                                + ", which has figures of its own.");
            }
        }
        return aliases;
    }

    private Set<Limit> declared() {
        EnumSet<Limit> none = EnumSet.noneOf(Limit.class);
        form.none()
                .forEach(n -> Optional.ofNullable(complaints.pick("none", n, DECLARED, null))
                        .ifPresent(none::add));
        return none;
    }

    /** A limit is a figure or declared as not published; one that nobody knows stays unknown in a correction. */
    private void limits(Ratings ratings, TubeKind kind) {
        DECLARED.values().stream()
                .filter(l ->
                        ratings.nonePublished().contains(l) && ratings.figure(l).isPresent())
                .findFirst()
                .ifPresent(l -> complaints.add(
                        "none", "Either a figure of " + l.words() + " or that none is published, not both."));
        OWED.forEach((limit, field) -> {
            boolean applies = kind != TubeKind.TRIODE || !limit.ofScreen();
            boolean unknownBefore = before.flatMap(TubeType::strictest)
                    .filter(r -> r.unknown(limit))
                    .isPresent();
            if (applies && ratings.unknown(limit) && !unknownBefore && !complaints.has(field)) {
                complaints.add(
                        field,
                        "Give the " + limit.words() + ", or mark it below as not published if the sheet has none.");
            }
        });
    }

    /** What a maker permits with signal is no less than what he permits without. */
    private void notBelow(String name, Optional<Figure> with, Optional<Figure> without, Limit limit) {
        if (with.isPresent()
                && without.isPresent()
                && with.get().value() < without.get().value()) {
            complaints.add(
                    name,
                    "With signal a maker permits no less than without: "
                            + Show.si(without.get().value(), limit.unit(), 3) + " is the " + limit.words()
                            + " above. Leave this blank where the sheet gives no second figure.");
        }
    }

    /** The publications a correction does not replace: all but the strictest, which is the one that was shown. */
    private static List<Ratings> others(TubeType before) {
        return before.ratings().stream()
                .filter(r -> !r.equals(before.strictest().orElse(null)))
                .toList();
    }

    /** A published figure; what no receiving or small transmitting tube has is a slip. */
    private Optional<Figure> figure(String name, String text, Unit unit, Prefix shown, double low, double high) {
        Field field = Field.of("this figure", unit, shown, low, high).aboveZero();
        Optional<Typed> typed = complaints.quantity(name, text, field);
        if (typed.isPresent() && !field.plausible(typed.get().value())) {
            complaints.add(
                    name,
                    "“" + FieldErrors.shorten(text) + "” was understood as "
                            + typed.get().echo()
                            + ". No tube of an output stage is known with that: from " + Show.si(low, unit, 3) + " to "
                            + Show.si(high, unit, 3) + ". Type it as it stands in the maker's sheet.");
            return Optional.empty();
        }
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
            complaints.add("share", FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }
}
