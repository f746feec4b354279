package yellowrail.app.rounds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.results.BenchResult;
import yellowrail.app.results.ResultStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class WrittenOnceIT extends AppIT {
    @Autowired
    TubeStore tubes;

    @Autowired
    SettingStore settings;

    @Autowired
    CurvesStore curves;

    @Autowired
    ResultStore results;

    private Typed volts(String text) {
        return MeterText.understand(text, Quantity.PLATE.field()).value().orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "amp",
                "amp_version",
                "own_type",
                "type_snapshot",
                "round",
                "reading",
                "setting",
                "own_curves",
                "bench_result"
            })
    void theDatabaseRefusesToChangeOrRemoveARow(String table) {
        Amp amp = keepPair("Rail 1", "6L6GC");
        keepRound(amp, pairValues("274 mV", "218 mV"));
        TubeType el84 = ((Lookup.Found) Catalogue.shipped().find("EL84")).type();
        tubes.keep(UUID.randomUUID(), el84);
        jdbc.sql("insert into setting (id, kind, name, body) values (gen_random_uuid(), 'none', 'x', '{}')")
                .update();
        curves.keep(UUID.randomUUID(), "none", curves.of("EL34").orElseThrow());
        results.keep(new BenchResult(
                UUID.randomUUID(),
                amp.id(),
                OffsetDateTime.now(),
                Map.of(),
                List.of(new MeasuredPoint("200 mV", Optional.of(1000.0), 5, 0.01)),
                "",
                null));
        String column = jdbc.sql(
                        "select column_name from information_schema.columns where table_name = :t and data_type in"
                                + " ('text', 'timestamp with time zone') limit 1")
                .param("t", table)
                .query(String.class)
                .single();
        assertThatThrownBy(() -> jdbc.sql("update " + table + " set " + column + " = " + column)
                        .update())
                .hasMessageContaining("written once");
        assertThatThrownBy(() -> jdbc.sql("delete from " + table).update()).hasMessageContaining("written once");
        assertThatThrownBy(() -> jdbc.sql("truncate " + table + " cascade").update())
                .hasMessageContaining("written once");
    }

    @Test
    void aRoundSentManyTimesAtOnceIsStoredOnce() throws Exception {
        Amp amp = keepPair("Rail 2", "6L6GC");
        UUID id = UUID.randomUUID();
        RoundForm form = RoundForm.of(id.toString(), pairValues("274 mV", "218 mV"));
        RoundReader.Read read = RoundReader.read(form, amp.description(), id, Meter.CLASSES, OffsetDateTime.now());
        ExecutorService pool = Executors.newFixedThreadPool(6);
        List<Callable<Round>> calls = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            calls.add(() -> rounds.keep(id, amp, read.takenAt(), read.state(), "", read.readings()));
        }
        for (Future<Round> future : pool.invokeAll(calls)) {
            assertThat(future.get().readings()).hasSize(5);
        }
        pool.shutdown();
        assertThat(rounds.rounds(amp.id())).hasSize(1);
    }

    @Test
    void anAmpIsPutAwayOnceForEachIdAndNotBroughtBackByIt() throws Exception {
        Amp amp = keepPair("Rail 7", "6L6GC");
        UUID entry = UUID.randomUUID();
        String path = "/amps/" + amp.id() + "/shelf";
        for (int i = 0; i < 2; i++) {
            mvc.perform(post(path).with(csrf()).param("entry", entry.toString()).param("away", "yes"))
                    .andExpect(status().is3xxRedirection());
        }
        mvc.perform(post(path).with(csrf()).param("entry", entry.toString()).param("away", "no"))
                .andExpect(status().isConflict());
        assertThat(amps.isAway(amp.id())).isTrue();
    }

    @Test
    void theSameIdWithOtherReadingsIsRefusedAndNothingIsOverwritten() {
        Amp amp = keepPair("Rail 3", "6L6GC");
        UUID id = keepRound(amp, pairValues("274 mV", "218 mV"));
        RoundForm other = RoundForm.of(id.toString(), pairValues("999 mV", "218 mV"));
        RoundReader.Read read = RoundReader.read(other, amp.description(), id, Meter.CLASSES, OffsetDateTime.now());
        assertThatThrownBy(() -> rounds.keep(id, amp, read.takenAt(), read.state(), "", read.readings()))
                .isInstanceOf(StoredDifferently.class);
        assertThat(rounds.round(id)
                        .holding(Quantity.CURRENT, "V1")
                        .orElseThrow()
                        .raw())
                .isEqualTo("274 mV");
    }

    @Test
    void theSameIdWithOtherContentIsNeverToldAsKept() {
        Amp amp = keepPair("Rail 6", "6L6GC");
        UUID id = UUID.randomUUID();
        AmpDescription four = AmpReader.read(
                        AmpForms.resized(AmpForms.of(amp.description()), 4, 1), Catalogue.shipped(), List.of("middle"))
                .description()
                .orElseThrow();
        assertThat(amps.keep(id, amp.id(), 1, four).version()).isEqualTo(2);
        assertThat(amps.keep(id, amp.id(), 1, four).version()).isEqualTo(2);
        assertThatThrownBy(() -> amps.keep(id, amp.id(), 1, amp.description()))
                .isInstanceOf(AmpStore.ChangedMeanwhile.class);

        TubeType el84 = ((Lookup.Found) Catalogue.shipped().find("EL84")).type();
        TubeType el34 = ((Lookup.Found) Catalogue.shipped().find("EL34")).type();
        tubes.keep(id, el84);
        tubes.keep(id, el84);
        assertThatThrownBy(() -> tubes.keep(id, el34)).isInstanceOf(StoredDifferently.class);

        Window evening = new Window("evening", 0.55, 0.6, "ears");
        settings.keep(id, evening);
        settings.keep(id, evening);
        assertThatThrownBy(() -> settings.keep(id, new Window("evening", 0.55, 0.65, "ears")))
                .isInstanceOf(StoredDifferently.class)
                .hasMessageContaining("nothing was overwritten");
        assertThatThrownBy(() -> settings.keep(id, Meter.FINE)).isInstanceOf(StoredDifferently.class);

        UUID round = keepRound(amp, pairValues("274 mV", "218 mV"));
        Round stored = rounds.round(round);
        rounds.keep(round, amp, stored.takenAt(), stored.state(), stored.note(), stored.readings());
        assertThatThrownBy(() ->
                        rounds.keep(round, amp, stored.takenAt(), stored.state(), "with the lamp", stored.readings()))
                .isInstanceOf(StoredDifferently.class);
    }

    @Test
    void aCorrectionSupersedesAndTheOldReadingStays() {
        UUID round = keepRound(keepPair("Rail 4", "6L6GC"), pairValues("274 mV", "218 mV"));
        Reading plate = rounds.round(round).holding(Quantity.PLATE, "V1").orElseThrow();
        UUID correction = UUID.randomUUID();
        rounds.correct(correction, plate.id(), volts("412 V"), "misread");
        rounds.correct(correction, plate.id(), volts("412 V"), "misread");
        Round after = rounds.round(round);
        assertThat(after.readings()).hasSize(6).extracting(Reading::raw).contains("421 V", "412 V");
        assertThat(after.holding(Quantity.PLATE, "V1").orElseThrow().raw()).isEqualTo("412 V");
        assertThatThrownBy(() -> rounds.correct(UUID.randomUUID(), plate.id(), volts("400 V"), "again"))
                .isInstanceOf(StoredDifferently.class)
                .hasMessageContaining("corrected meanwhile");
        Reading newest = after.holding(Quantity.PLATE, "V1").orElseThrow();
        rounds.correct(UUID.randomUUID(), newest.id(), volts("413 V"), "again");
        assertThat(rounds.round(round)
                        .holding(Quantity.PLATE, "V1")
                        .orElseThrow()
                        .raw())
                .isEqualTo("413 V");
    }

    @Test
    void aStageThatGrowsFromTwoTubesToFourLeavesThePastReadable() {
        Amp two = keepPair("Rail 5", "6V6GT");
        UUID old = keepRound(two, pairValues("281 mV", "279 mV"));
        AmpDescription four = AmpReader.read(
                        AmpForms.resized(AmpForms.of(two.description()), 4, 1), Catalogue.shipped(), List.of("middle"))
                .description()
                .orElseThrow();
        Amp grown = amps.keep(UUID.randomUUID(), two.id(), 1, four);
        Map<String, String> values = new HashMap<>(pairValues("281 mV", "279 mV"));
        values.put("CURRENT.V4", "270 mV");
        keepRound(grown, values);
        assertThat(rounds.round(old).judged(Profiles.SHIPPED).sockets()).hasSize(2);
        List<Round> all = rounds.rounds(two.id());
        assertThat(all).hasSize(2);
        assertThat(History.of(all, Profiles.SHIPPED).sockets()).containsExactly("V1", "V2", "V3", "V4");
        assertThat(all.get(1).judged(Profiles.SHIPPED).unmeasured()).containsExactly("V3");
        assertThatThrownBy(() -> amps.keep(UUID.randomUUID(), two.id(), 1, four))
                .isInstanceOf(AmpStore.ChangedMeanwhile.class);
    }

    /** A description that is shown in the form and kept unchanged is the same description. */
    @Test
    void aDescriptionSurvivesItsForm() {
        AmpDescription before = pair("Rail 6", "EL34");
        AmpDescription after = AmpReader.read(AmpForms.of(before), Catalogue.shipped(), List.of("middle"))
                .description()
                .orElseThrow();
        assertThat(after).isEqualTo(before);
    }
}
