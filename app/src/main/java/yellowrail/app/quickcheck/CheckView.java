package yellowrail.app.quickcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.pictures.Statements;
import yellowrail.app.pictures.WattStrip;
import yellowrail.app.pictures.WattStrip.Tone;
import yellowrail.core.adjust.CathodeFit;
import yellowrail.core.adjust.Transconductance;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.idle.Missing;
import yellowrail.core.idle.Permitted;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.TargetReading;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Ratings;

/** An answer in words and figures, ready for the template; no arithmetic is left to do there. */
public record CheckView(
        boolean asked,
        String percent,
        String percentBand,
        String watts,
        String ofRating,
        String verdict,
        String tone,
        String mark,
        boolean allClear,
        Statements statements,
        List<String> reasons,
        Optional<WattStrip> strip,
        Optional<Most> most,
        String way,
        List<TargetLine> targets,
        String bothWatts,
        String understood,
        List<Missing> missing,
        List<LimitCheck> limits,
        List<String> notes,
        List<Formula> formulas) {
    /** One target as a row. */
    public record TargetLine(
            String name,
            String reading,
            String band,
            String share,
            String watts,
            String amperes,
            boolean chosen,
            String note) {}

    /** The hottest permitted idle as a row. */
    public record Most(String reading, String share, String watts, String amperes, String why) {}

    public static CheckView of(CheckReader.Read read, IdleAnswer answer, boolean asked) {
        IdleQuestion question = read.question();
        Optional<Ratings> ratings = answer.ratings();
        // While a field is not understood, or a question about it is open, there is no verdict.
        Verdict verdict = read.complaints().any() ? held(read.complaints()) : answer.verdict();
        Tone tone = Tone.of(verdict);
        Optional<Window> window =
                question.target().filter(Window.class::isInstance).map(Window.class::cast);
        return new CheckView(
                asked,
                answer.share()
                        .map(s -> Show.fixed(100 * s.value(), Math.min(1, Show.decimalsFor(100 * s.likely()))))
                        .orElse("–"),
                answer.share()
                        .map(s -> "± " + Show.fixed(100 * s.likely(), Show.decimalsFor(100 * s.likely())) + " %")
                        .orElse(""),
                answer.plateWatts()
                        .map(w -> Show.plusMinus(w.value(), w.likely()) + " W")
                        .orElse(""),
                ratings.flatMap(Ratings::plateWatts)
                        .map(f -> "of " + Show.plain(f.value(), 3) + " W, "
                                + ratings.get().system().words())
                        .orElse(""),
                read.complaints().any() ? "no verdict yet" : verdict.words(),
                tone.css(),
                tone.mark(),
                verdict.allClear(),
                Statements.of(verdict),
                verdict.reasons(),
                WattStrip.of(answer, window, question.ceiling(), "")
                        .map(strip -> read.complaints().any() ? strip.inTone(Tone.UNKNOWN) : strip),
                answer.permitted().map(CheckView::most),
                resistor(question) ? "cathode resistor to fit" : "turn until the meter reads",
                answer.targets().stream().map(t -> line(t, question, answer)).toList(),
                bothWatts(answer),
                understood(question, answer),
                missing(read, answer),
                answer.limits(),
                notes(question, answer),
                answer.formulas());
    }

    /** A reading that was typed is not missing while something else keeps it from being used. */
    private static List<Missing> missing(CheckReader.Read read, IdleAnswer answer) {
        boolean typed = read.question().reading().isEmpty() && read.readingTyped();
        return typed
                ? answer.missing().stream()
                        .filter(m -> !m.what().equals(IdleCheck.METER_READING))
                        .toList()
                : answer.missing();
    }

    private static Verdict held(FieldErrors complaints) {
        return Verdict.unknown(complaints.byField().values().stream()
                .map(FieldErrors.Complaint::sentence)
                .toList());
    }

    private static Most most(Permitted p) {
        if (!p.exists()) {
            return new Most("none", "", "", "", "no current keeps " + p.limit());
        }
        return new Most(
                p.reading().map(r -> Show.si(r.value(), r.unit(), 3)).orElse("no reading"),
                Show.fixed(100 * p.share(), 1) + " %",
                Show.fixed(p.watts(), 1),
                Show.si(p.plateAmperes(), Unit.AMPERE, 3),
                "hotter would pass " + p.limit() + (p.step() ? "; a step on the way: then read again" : ""));
    }

    /** With one adaptor the other tubes are read by turns, which a single check cannot judge together. */
    private static List<String> notes(IdleQuestion question, IdleAnswer answer) {
        List<String> notes = new ArrayList<>(answer.notes());
        if (question.method() instanceof SocketAdaptor) {
            notes.add(
                    "An adaptor shows one tube at a time. With one adaptor the others follow by turns: off, cool, move,"
                            + " on, 10 min, read, and the first again at the end. Keep this as an amp and begin a session read by"
                            + " turns: it judges them together.");
        }
        return notes;
    }

    /** With cathode bias the resistor sets the idle: nothing is turned. */
    private static boolean resistor(IdleQuestion question) {
        return question.stage().bias() == BiasScheme.CATHODE;
    }

    /** The preferred value next to what a target wants, for the tubes that share the resistor; empty while it is not known. */
    private static Optional<CathodeFit> fit(TargetReading target, IdleQuestion question, IdleAnswer answer) {
        Optional<Double> now = answer.cathodeAmperes().map(Estimate::value).filter(i -> i > 0);
        Optional<Double> share = answer.share().map(Estimate::value).filter(v -> v > 0);
        Optional<Double> plate = answer.plateToCathodeVolts().map(Estimate::value);
        if (!(question.method() instanceof CathodeResistor method)
                || question.reading().filter(r -> r.unit() == Unit.VOLT).isEmpty()
                || now.isEmpty()
                || share.isEmpty()
                || plate.isEmpty()) {
            return Optional.empty();
        }
        double volts = Math.abs(question.reading().get().value());
        return Optional.of(CathodeFit.of(
                new CathodeFit.Wish(
                        method.tubes(),
                        volts,
                        now.get(),
                        now.get() * target.share() / share.get(),
                        plate.get(),
                        Optional.empty()),
                question.stage()
                        .type()
                        .flatMap(t -> Transconductance.of(
                                t,
                                plate.get(),
                                question.screenVolts()
                                        .map(v -> v.value() - volts)
                                        .orElse(plate.get()),
                                volts,
                                now.get())),
                times -> answer.permitted()
                        .filter(p -> share.get() * times.watts() <= p.share()
                                && answer.plateAmperes().orElseThrow().value() * times.current() <= p.plateAmperes())
                        .isPresent()));
    }

    private static TargetLine line(TargetReading target, IdleQuestion question, IdleAnswer answer) {
        if (resistor(question)) {
            return line(target, question, fit(target, question, answer));
        }
        return line(
                target,
                question,
                target.reading().map(r -> Show.si(r.value(), r.unit(), 3)).orElse("no reading"),
                target.reading()
                        .map(r -> "± " + Show.si(target.plusMinus(), r.unit(), 1))
                        .orElse(""));
    }

    private static TargetLine line(TargetReading target, IdleQuestion question, Optional<CathodeFit> fit) {
        return line(
                target,
                question,
                fit.map(f -> f.chosen()
                                .map(r -> Show.siPlain(r, Unit.OHM, 3))
                                .orElse(f.ohms().isEmpty() ? "not told" : "no preferred value"))
                        .orElse("cathode volts needed"),
                fit.filter(f -> f.chosen().isPresent())
                        .map(f -> Show.si(f.low(), Unit.OHM, 3) + " to " + Show.si(f.high(), Unit.OHM, 3) + ", "
                                + Show.plain(f.ratingWatts(), 3) + " W")
                        .orElse(""));
    }

    private static TargetLine line(TargetReading target, IdleQuestion question, String reading, String band) {
        return new TargetLine(
                target.name(),
                reading,
                band,
                Show.fixed(100 * target.share(), 1).replaceAll("\\.0$", "") + " %",
                Show.fixed(target.watts(), 1),
                Show.si(target.plateAmperes(), Unit.AMPERE, 3),
                target.chosen()
                        || question.target()
                                .filter(t -> t instanceof Target.MakersFigure
                                        && t.name().equals(target.name()))
                                .isPresent(),
                target.above()
                        .map(limit -> "would pass " + limit)
                        .orElse(target.step() ? "a step on the way: then read volts and current again" : ""));
    }

    private static String bothWatts(IdleAnswer answer) {
        if (answer.upperBoundWatts().isEmpty() || answer.plateWatts().isEmpty()) {
            return "";
        }
        double rated = answer.ratings()
                .flatMap(Ratings::plateWatts)
                .map(f -> f.value())
                .orElse(Double.NaN);
        double bound = answer.upperBoundWatts().get();
        String share = Double.isNaN(rated) ? "" : ", " + Show.fixed(100 * bound / rated, 1) + " %";
        if (Math.abs(bound - answer.plateWatts().get().value()) < 1e-9) {
            return "All current seen is counted as plate current: " + Show.significant(bound, 3) + " W" + share
                    + " (used).";
        }
        return "Used: " + Show.significant(answer.plateWatts().get().value(), 3)
                + " W with the screen current taken off. If all current seen counted as plate current: "
                + Show.significant(bound, 3) + " W" + share + ", an upper bound.";
    }

    private static String understood(IdleQuestion question, IdleAnswer answer) {
        StringBuilder text = new StringBuilder();
        answer.cathodeAmperes().ifPresent(i -> text.append(amps(i)).append(" cathode current"));
        answer.plateAmperes()
                .ifPresent(i ->
                        text.append(text.isEmpty() ? "" : ", ").append(amps(i)).append(" of it plate current"));
        question.stage()
                .type()
                .flatMap(t -> t.screenShare())
                .filter(s -> question.screen() instanceof yellowrail.core.idle.ScreenCurrent.TypeShare
                        && answer.screenAmperes().isPresent())
                .ifPresent(s -> text.append(" (screen share ")
                        .append(Show.plain(100 * s.share(), 3))
                        .append(" ± ")
                        .append(Show.plain(100 * s.band(), 2))
                        .append(" %, from the type)"));
        answer.plateToCathodeVolts()
                .ifPresent(v -> text.append(text.isEmpty() ? "" : ". ")
                        .append("Plate to cathode ")
                        .append(Show.si(v.value(), Unit.VOLT)));
        answer.unloadedSupplyVolts()
                .ifPresent(v -> text.append(text.isEmpty() ? "" : ". ")
                        .append("Unloaded B+ ")
                        .append(Show.si(v, Unit.VOLT)));
        if (text.isEmpty() && question.plate().volts().isPresent()) {
            text.append(question.plate().volts().get().echo())
                    .append(' ')
                    .append(words(question.plate().reference()));
        }
        return text.isEmpty() ? "" : text + ".";
    }

    private static String words(PlateVolts.Reference reference) {
        return reference.words();
    }

    private static String amps(Estimate estimate) {
        return Show.si(estimate.value(), Unit.AMPERE, 3);
    }
}
