package yellowrail.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SheetIssuer;
import yellowrail.app.results.ResultStore;
import yellowrail.app.rounds.Round;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.idle.Verdict;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.session.Finding;
import yellowrail.core.target.Profiles;

class DemoDataIT extends AppIT {
    @Autowired
    private ResultStore results;

    @Autowired
    private TransformerStore transformers;

    @Autowired
    private SpeakerStore speakers;

    private List<RoundAnswer> roundsOf(String name) {
        Amp amp = amps.all().stream()
                .filter(a -> a.description().name().equals(name))
                .findFirst()
                .orElseThrow();
        return rounds.rounds(amp.id()).stream()
                .map((Round r) -> r.judged(Profiles.SHIPPED))
                .toList();
    }

    @Autowired
    private SheetIssuer issuer;

    @Test
    void theDemoAmpsTellTheirStories() {
        DemoData demo = new DemoData(amps, rounds, sessions, results, transformers, speakers);
        demo.fill();
        demo.fill();
        Stream.of("Bittern 60", "Reedling 30", "Avocet Stereo")
                .forEach(name -> assertThat(roundsOf(name)).hasSizeGreaterThanOrEqualTo(3));

        List<RoundAnswer> bittern = roundsOf("Bittern 60");
        assertThat(bittern.get(0).verdict().place()).isEqualTo(Verdict.Place.BELOW_WINDOW);
        assertThat(bittern.get(3).verdict().allClear()).isTrue();

        // The mean of the quad looks innocent; behind it one tube is above its rating.
        List<RoundAnswer> reedling = roundsOf("Reedling 30");
        assertThat(reedling.get(0).verdict().place()).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(reedling.get(0).verdict().qualifiers()).contains(Verdict.Qualifier.MEAN_ONLY);
        assertThat(reedling.get(2).verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
        assertThat(reedling.get(2).worst()).isEqualTo("V3");
        assertThat(reedling.get(2).contradictions()).isEmpty();

        // Two measured tables, one factor apart, stored once.
        Amp pair = amps.all().stream()
                .filter(a -> a.description().name().equals("Bittern 60"))
                .findFirst()
                .orElseThrow();
        assertThat(results.holding(pair.id())).hasSize(2);

        // Four tubes with one adaptor: set, read one by one.
        Amp curlew = amps.all().stream()
                .filter(a -> a.description().name().equals("Curlew 100"))
                .findFirst()
                .orElseThrow();
        assertThat(sessions.issuedSheet(sessions.ofAmp(curlew.id()).get(0)).stateWords())
                .isEqualTo("set, not proven");

        // What a session of the demo leaves open is told by its story, not by a slip of ours.
        sessions.ofAmp(pair.id())
                .forEach(id -> assertThat(sessions.look(id, issuer::outcome).findings())
                        .noneMatch(
                                f -> f.code() == Finding.Code.CONTRADICTION || f.code() == Finding.Code.POWERED_EARLY));

        assertThat(roundsOf("Avocet Stereo").get(2).verdict().allClear()).isFalse();
    }
}
