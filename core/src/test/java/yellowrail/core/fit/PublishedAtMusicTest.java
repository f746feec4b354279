package yellowrail.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.Heat;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeModels;

/**
 * What makers publish as an operation is inside what they rate, when music is played: at nominal mains and by every edition
 * of the type, within the model's band.
 */
class PublishedAtMusicTest {
    private static final List<Operation> PENTODES = Operations.all().stream()
            .filter(o -> o.connection() == Connection.PENTODE && o.hasFullSignal())
            .filter(o -> TubeModels.of(o.type()).isPresent())
            .toList();

    static List<Operation> pentodes() {
        return PENTODES;
    }

    private static List<Ratings> editions(Operation operation) {
        return Catalogue.shippedType(operation.type()).orElseThrow().editions(Optional.empty());
    }

    @Test
    void allOfThemAreTried() {
        assertThat(PENTODES).hasSizeGreaterThanOrEqualTo(48);
    }

    @ParameterizedTest
    @MethodSource("pentodes")
    void noneIsAboveItsRatingByMoreThanTheBand(Operation operation) {
        Stage stage = Predicted.stage(TubeModels.of(operation.type()).orElseThrow(), operation);
        StageSolver solver = new StageSolver(stage);
        Heat music = Heat.of(solver.idle()).most(Heat.of(solver.played(Duty.MUSIC)));
        ModelTrust.Bands bands =
                ModelTrust.of(operation.type()).orElseThrow().bands(operation.plateVolts(), operation.screenVolts());
        for (Ratings edition : editions(operation)) {
            edition.figure(Limit.PLATE_WATTS)
                    .ifPresent(rated -> assertThat(music.plateWatts())
                            .as("plate by " + edition.edition())
                            .isLessThanOrEqualTo(rated.value() * (1 + bands.plate())));
            DriveLimit.SCREEN_WATTS
                    .in(edition)
                    .ifPresent(rated -> assertThat(music.screenWatts())
                            .as("screen by " + edition.edition())
                            .isLessThanOrEqualTo(rated.value() * (1 + bands.screen())));
        }
    }

    /** Above the rating by the figure alone, inside it by the band: these, and all of them at rest already. */
    @Test
    void aboveByTheFigureAlone() {
        List<String> above = new ArrayList<>();
        for (Operation operation : PENTODES) {
            StageSolver solver = new StageSolver(
                    Predicted.stage(TubeModels.of(operation.type()).orElseThrow(), operation));
            double idle = solver.idle().hottestPlateWatts();
            double music = solver.played(Duty.MUSIC).hottestPlateWatts();
            double rated = editions(operation).stream()
                    .mapToDouble(e -> e.figure(Limit.PLATE_WATTS).orElseThrow().value())
                    .min()
                    .orElseThrow();
            if (Math.max(idle, music) > rated) {
                above.add(operation.type() + " " + operation.topology().words() + " " + (int) operation.plateVolts()
                        + " V, " + (int) operation.loadOhms() + " Ω: idle " + Math.round(100 * idle / rated)
                        + " %, music " + Math.round(100 * music / rated) + " %");
            }
        }
        assertThat(above)
                .containsExactly(
                        "EL84 single-ended 250 V, 5200 Ω: idle 101 %, music 88 %",
                        "EL34 push-pull 350 V, 3400 Ω: idle 110 %, music 97 %",
                        "6550 push-pull 450 V, 3500 Ω: idle 103 %, music 103 %",
                        "6550 push-pull 600 V, 5000 Ω: idle 103 %, music 108 %",
                        "6550 push-pull 400 V, 4500 Ω: idle 100 %, music 87 %");
    }
}
