package yellowrail.app.api;

import io.swagger.v3.oas.annotations.OpenAPIDefinition;
import io.swagger.v3.oas.annotations.info.Info;
import org.springframework.context.annotation.Configuration;

/** The description of the JSON interface, served at /api/v1/openapi.json. */
@Configuration
@OpenAPIDefinition(
        info =
                @Info(
                        title = "Yellow Rail",
                        version = "1",
                        description =
                                "Idle checks, the tube catalogue, amps and rounds. Quantities go in as texts typed from a"
                                        + " meter and come out as numbers in SI base units. Nothing stored is changed: an amp is followed"
                                        + " by a new version, a reading by one that supersedes it. Ids are made by the client; the same"
                                        + " id stores once."))
class OpenApi {}
