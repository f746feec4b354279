package yellowrail.app.store;

import java.util.List;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.RoundState;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/**
 * Every kind of document that is stored, in its present version. A changed record is a new version: add its upgrade here and
 * in {@link Upgrades}, and a folder of documents as they were stored before to the tests.
 */
public final class StoredShapes {
    public static final Shape<AmpDescription> AMP = new Shape<>(
            "amp",
            AmpDescription.class,
            Upgrades::seriesAndSystem,
            Upgrades::milliampsOfAmp,
            Upgrades::partsOfAmp,
            Upgrades::belowByName,
            Upgrades::dutyOfAmp);
    public static final Shape<TubeType> TUBE_TYPE = new Shape<>(
            "tube type",
            TubeType.class,
            Upgrades::kindOfTube,
            Upgrades::capAndTransconductance,
            Upgrades::withSignal,
            Upgrades::limitsByKey);
    public static final Shape<TypeCurves> CURVES = new Shape<>("curves", TypeCurves.class, Upgrades::same);
    public static final Shape<RoundState> ROUND_STATE =
            new Shape<>("round state", RoundState.class, Upgrades::answers, Upgrades::alternatingWithin);
    public static final Shape<TypeHashes> TYPE_HASHES = new Shape<>("type hashes", TypeHashes.class, Upgrades::hashes);
    public static final Shape<Plan> PLAN = new Shape<>(
            "plan",
            Plan.class,
            Upgrades::carriedOver,
            Upgrades::milliampsOfPlan,
            Upgrades::workedWhole,
            Upgrades::partsAndExactness,
            Upgrades::alternatingWithin,
            Upgrades::belowByNameOfPlan,
            Upgrades::dutyOfPlan);
    public static final Shape<Event> EVENT = new Shape<>("event", Event.class, Upgrades::same, Upgrades::typeOfPlaced);
    public static final Shape<IssuedSheet> SHEET = new Shape<>("sheet", IssuedSheet.class, Upgrades::findingsOfSheet);
    public static final Shape<StoredResult> RESULT = new Shape<>("result", StoredResult.class, Upgrades::same);
    public static final Shape<Window> WINDOW = new Shape<>("target window", Window.class, Upgrades::same);
    public static final Shape<Meter> METER = new Shape<>("meter", Meter.class, Upgrades::same, Upgrades::alternating);
    public static final Shape<StoredPassphrase> PASSPHRASE =
            new Shape<>("passphrase", StoredPassphrase.class, Upgrades::same);

    public static final Shape<TransformerDescription> TRANSFORMER =
            new Shape<>("transformer", TransformerDescription.class);
    public static final Shape<AcReading> AC_READING = new Shape<>("AC reading", AcReading.class);

    public static final Shape<StoredSpeaker> SPEAKER =
            new Shape<>("speaker", StoredSpeaker.class, Upgrades::pointsOfSpeaker);

    public static final Shape<StoredSwap> SWAP = new Shape<>("accepted swap", StoredSwap.class);

    public static final Shape<StoredAnswers> ANSWERS = new Shape<>("kept answers", StoredAnswers.class);

    public static final Shape<StoredTurns> TURNS = new Shape<>("turns of a round", StoredTurns.class);

    static final List<Shape<?>> ALL = List.of(
            AMP,
            TUBE_TYPE,
            CURVES,
            ROUND_STATE,
            TYPE_HASHES,
            PLAN,
            EVENT,
            SHEET,
            RESULT,
            WINDOW,
            METER,
            PASSPHRASE,
            TRANSFORMER,
            AC_READING,
            SPEAKER,
            SWAP,
            ANSWERS,
            TURNS);

    private StoredShapes() {}
}
