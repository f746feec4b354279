package yellowrail.app.tubes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;

/** Makes a tube type of a form. A correction keeps what the form does not ask for: pins, envelope, other publications. */
final class TypeReader {
    /** The limits that own types give as a figure or as not published. */
    private static final List<Limit> OWED = List.of(Limit.PLATE_VOLTS, Limit.SCREEN_WATTS, Limit.SCREEN_VOLTS);

    private final Answers form;
    private final Catalogue catalogue;
    private final Optional<TubeType> before;
    private final FieldErrors complaints = new FieldErrors();

    private TypeReader(Answers form, Catalogue catalogue, Optional<TubeType> before) {
        this.form = form;
        this.catalogue = catalogue;
        this.before = before;
    }

    record Read(Optional<TubeType> type, FieldErrors complaints) {}

    /**
     * @param catalogue the types there are
     * @param before the entry that is corrected, or empty for a new one
     */
    static Read read(Answers form, Catalogue catalogue, Optional<TubeType> before) {
        TypeReader reader = new TypeReader(form, catalogue, before);
        Optional<TubeType> type = reader.type();
        return new Read(reader.complaints.any() ? Optional.empty() : type, reader.complaints);
    }

    private Optional<TubeType> type() {
        String designation = designation();
        List<String> aliases = aliases(designation);
        String source = Texts.line(form.text(TypeFields.SOURCE));
        if (source.isEmpty() || source.length() > Texts.SENTENCE) {
            complaints.add(
                    "source",
                    "Say where the figures come from, in 1 to " + Texts.SENTENCE
                            + " characters: the maker's sheet and its date.");
        }
        TubeKind kind = form.read(TypeFields.KIND, complaints);
        Map<PublishedLimit, Figure> figures = new HashMap<>();
        TypeFields.LIMITS.forEach((limit, field) -> {
            if (kind == TubeKind.TRIODE && limit.ofScreen()) {
                complaints.counts(field.name(), form.text(field), false, "with a tube that has a screen");
            }
            form.read(field, complaints).ifPresent(f -> figures.put(limit, f));
        });
        Ratings ratings = new Ratings(
                form.read(TypeFields.SYSTEM, complaints),
                "own: " + source,
                figures,
                form.read(TypeFields.NONE, complaints));
        for (DriveLimit limit : DriveLimit.values()) {
            notBelow(limit, ratings);
        }
        limits(ratings, kind);
        if (ratings.plateWatts().isEmpty()) {
            complaints.add(
                    Limit.PLATE_WATTS.printed().key(),
                    "The plate dissipation is what everything is compared with: it is needed.");
        }
        Optional<Figure> heaterVolts = form.read(TypeFields.HEATER_VOLTS, complaints);
        Optional<Figure> heaterAmperes = form.read(TypeFields.HEATER_AMPERES, complaints);
        if (kind == TubeKind.TRIODE) {
            complaints.counts(
                    TypeFields.SHARE.name(), form.text(TypeFields.SHARE), false, "with a tube that has a screen");
        }
        Optional<ScreenShare> share = share();
        Optional<Figure> gm = form.read(TypeFields.TRANSCONDUCTANCE, complaints);
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
        String designation = Texts.line(form.text(TypeFields.DESIGNATION));
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
        List<String> aliases = Arrays.stream(
                        Texts.line(form.text(TypeFields.ALIASES)).split("[,;]"))
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

    /** A limit is a figure or declared as not published; one that nobody knows stays unknown in a correction. */
    private void limits(Ratings ratings, TubeKind kind) {
        TypeFields.DECLARED.stream()
                .filter(l ->
                        ratings.nonePublished().contains(l) && ratings.figure(l).isPresent())
                .findFirst()
                .ifPresent(l -> complaints.add(
                        "none", "Either a figure of " + l.words() + " or that none is published, not both."));
        OWED.forEach(limit -> {
            boolean applies = kind != TubeKind.TRIODE || !limit.ofScreen();
            boolean unknownBefore = before.flatMap(TubeType::strictest)
                    .filter(r -> r.unknown(limit))
                    .isPresent();
            if (applies && ratings.unknown(limit) && !unknownBefore) {
                complaints.add(
                        limit.printed().key(),
                        "Give the " + limit.words() + ", or mark it below as not published if the sheet has none.");
            }
        });
    }

    /** What a maker permits with signal is no less than what he permits without. */
    private void notBelow(DriveLimit limit, Ratings ratings) {
        Optional<Figure> with = ratings.figure(limit);
        Optional<Figure> without = ratings.figure(limit.withoutSignal());
        if (with.isPresent()
                && without.isPresent()
                && with.get().value() < without.get().value()) {
            complaints.add(
                    limit.printed().key(),
                    "With signal a maker permits no less than without: "
                            + Show.si(without.get().value(), limit.unit(), 3) + " is the "
                            + limit.withoutSignal().words()
                            + " above. Leave this blank where the sheet gives no second figure.");
        }
    }

    /** The publications a correction does not replace: all but the strictest, which is the one that was shown. */
    private static List<Ratings> others(TubeType before) {
        return before.ratings().stream()
                .filter(r -> !r.equals(before.strictest().orElse(null)))
                .toList();
    }

    private Optional<ScreenShare> share() {
        Optional<Typed> share = form.read(TypeFields.SHARE, complaints);
        Optional<Typed> band = form.read(TypeFields.BAND, complaints);
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
