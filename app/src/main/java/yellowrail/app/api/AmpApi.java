package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpForm;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;

/** Amps as JSON. */
@RestController
@RequestMapping("/api/v1/amps")
class AmpApi {
    private final AmpStore amps;
    private final TubeStore tubes;
    private final SettingStore settings;

    AmpApi(AmpStore amps, TubeStore tubes, SettingStore settings) {
        this.amps = amps;
        this.tubes = tubes;
        this.settings = settings;
    }

    /** An amp in one version. */
    @Schema(description = "An amp in one version of its description")
    record AmpResult(
            @Schema(description = "Id of the amp") UUID id,

            @Schema(description = "Version of the description, from 1")
            int version,

            @Schema(description = "The description, in the words it is sent in")
            AmpForm description) {
        static AmpResult of(Amp amp) {
            return new AmpResult(amp.id(), amp.version(), AmpForms.of(amp.description()));
        }
    }

    /** A new description. */
    @Schema(description = "A new description; ids are made by the client and store once")
    record AmpRequest(
            @Schema(description = "Id of the amp") UUID id,
            @Schema(description = "Id of this version") UUID versionId,

            @Schema(description = "The version this one follows; 0 for a new amp")
            int seenVersion,

            @Schema(description = "The description") AmpForm description) {}

    @Operation(summary = "All amps in their newest version")
    @GetMapping
    List<AmpResult> all() {
        return amps.all().stream().map(AmpResult::of).toList();
    }

    @Operation(summary = "One amp in its newest version")
    @GetMapping("/{id}")
    AmpResult one(@PathVariable UUID id) {
        return AmpResult.of(amps.amp(id));
    }

    @Operation(summary = "One amp in the version named")
    @GetMapping("/{id}/versions/{version}")
    AmpResult version(@PathVariable UUID id, @PathVariable int version) {
        return AmpResult.of(amps.amp(id, version));
    }

    @Operation(summary = "Describe an amp, or follow its description by a new one")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    AmpResult keep(@RequestBody AmpRequest request) {
        if (request.id() == null || request.versionId() == null || request.description() == null) {
            throw ApiAdvice.at("id", "id, versionId and description are needed; ids are UUIDs made by the client.");
        }
        AmpReader.Read read = AmpReader.read(request.description(), tubes.catalogue(), settings.targetNames());
        if (read.description().isEmpty()) {
            throw new ApiRefused(read.complaints());
        }
        return AmpResult.of(amps.keep(
                request.versionId(),
                request.id(),
                request.seenVersion(),
                read.description().get()));
    }
}
