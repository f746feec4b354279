package yellowrail.app.api;

import io.swagger.v3.oas.annotations.OpenAPIDefinition;
import io.swagger.v3.oas.annotations.info.Info;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import yellowrail.app.amps.AmpForm;
import yellowrail.app.forms.FieldSchema;
import yellowrail.app.rounds.RoundFields;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.events.Kind;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.tube.PublishedLimits;

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
class OpenApi {
    /** The fields of an amp's description. */
    @Bean
    OpenApiCustomizer amps() {
        return api -> api.getComponents().addSchemas("AmpForm", AmpForm.schema());
    }

    /** What is said of a round beside its readings. */
    @Bean
    OpenApiCustomizer rounds() {
        return api -> {
            Schema<?> round = api.getComponents().getSchemas().get("RoundForm");
            round.setAdditionalProperties(false);
            RoundFields.ALL.forEach(f -> round.addProperty(f.name(), FieldSchema.of(f)));
        };
    }

    /** The kinds of entries of a session with their fields, and the stops. */
    @Bean
    @SuppressWarnings("unchecked")
    OpenApiCustomizer session() {
        return api -> {
            Map<String, Schema> entry =
                    api.getComponents().getSchemas().get("EventForm").getProperties();
            ((Schema<String>) entry.get("kind")).setEnum(Events.words());
            Schema<Object> fields = new ComposedSchema();
            fields.setDescription("The fields of its kind as texts; readings as typed from the meter.");
            Events.KINDS.forEach(kind -> fields.addOneOfItem(entry(kind)));
            entry.put("fields", fields);
            Map<String, Schema> state =
                    api.getComponents().getSchemas().get("State").getProperties();
            ((Schema<String>) state.get("here"))
                    .setEnum(Stops.RAIL.stops().stream().map(Stop::id).toList());
        };
    }

    private static Schema<?> entry(Kind<?> kind) {
        ObjectSchema schema = new ObjectSchema();
        schema.setTitle(kind.word());
        schema.setAdditionalProperties(false);
        kind.fields().forEach(field -> {
            StringSchema text = new StringSchema();
            text.setDescription(field.label());
            if (!field.words().get().isEmpty()) {
                text.setEnum(field.words().get());
            }
            schema.addProperty(field.name(), text);
        });
        return schema;
    }

    /** The limits of a publication, each by its key. */
    @Bean
    @SuppressWarnings("rawtypes")
    OpenApiCustomizer limits() {
        return api -> {
            Map<String, Schema> edition =
                    api.getComponents().getSchemas().get("Edition").getProperties();
            PublishedLimits.ALL.forEach(limit -> edition.put(
                    limit.printed().key(),
                    new Schema<>()
                            .$ref("#/components/schemas/Value")
                            .description(limit.words() + ", " + limit.unit().symbol() + "; null is not known")));
        };
    }

    /** What is taken by the names of a page's fields, field by field. */
    @Bean
    OpenApiCustomizer fields(List<TakesFields> routes) {
        return api -> routes.forEach(route -> {
            ObjectSchema schema = new ObjectSchema();
            schema.setDescription(
                    "Texts by name, as in the address of its page; what is left out takes the usual answer.");
            schema.setAdditionalProperties(false);
            route.fields().forEach(f -> schema.addProperty(f.name(), FieldSchema.of(f)));
            String name = route.getClass().getSimpleName().replaceAll("(Api).*", "Texts");
            api.getComponents().addSchemas(name, schema);
            route.paths()
                    .forEach(path -> api.getPaths()
                            .get(path)
                            .getPost()
                            .getRequestBody()
                            .getContent()
                            .forEach((type, content) ->
                                    content.setSchema(new Schema<>().$ref("#/components/schemas/" + name))));
        });
    }
}
