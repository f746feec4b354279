package yellowrail.core.bench;

import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.tube.Connection;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.Topology;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Understanding;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;

/** What one idle check costs: the whole answer with every formula written out, and the reading of one number. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(2)
public class IdleCheckBench {
    private static final Field PLATE = Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000);

    private final IdleQuestion question = IdleQuestion.of(
                    StageFacts.of(
                            ((Lookup.Found) Catalogue.shipped().find("6L6GC")).type(),
                            Topology.PUSH_PULL,
                            Connection.PENTODE,
                            BiasScheme.FIXED_TRACKING),
                    new OwnResistor(SenseResistor.marked(1, 1)),
                    new Typed("36.4 mV", 0.0364, Unit.VOLT, 1e-4),
                    PlateVolts.of(PlateVolts.Reference.CHASSIS, Optional.of(new Typed("431", 431, Unit.VOLT, 1))))
            .in(Circumstances.atMains(Mains.around(230, Optional.of(231.0))))
            .aimingAt(Profiles.SHIPPED.get(1));

    @Benchmark
    public IdleAnswer idleCheck() {
        return IdleCheck.answer(question, Profiles.SHIPPED);
    }

    @Benchmark
    public Understanding meterText() {
        return MeterText.understand("431.5 V", PLATE);
    }
}
