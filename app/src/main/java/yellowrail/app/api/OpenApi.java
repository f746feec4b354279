package yellowrail.app.api;

import io.swagger.v3.oas.annotations.OpenAPIDefinition;
import io.swagger.v3.oas.annotations.info.Info;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import yellowrail.app.amps.AmpForm;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Events;
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
    /** The ways of taking current and what each is described by, in the forms that take them. */
    @Bean
    OpenApiCustomizer sensing() {
        return api -> {
            api.getComponents().addSchemas("AmpForm", amp());
            describe(api, "AmpForm", Ways.kept(), p -> p.kind() != Parameter.Kind.TUBES);
        };
    }

    private static Schema<?> amp() {
        ObjectSchema schema = new ObjectSchema();
        schema.setDescription(
                "An output stage as typed. Quantities are texts with or without a unit; blank means not known.");
        AmpForm.fields().forEach(schema::addProperty);
        return schema;
    }

    /** The kinds of entries of a session with their fields, and the stops. */
    @Bean
    @SuppressWarnings("unchecked")
    OpenApiCustomizer session() {
        return api -> {
            Map<String, Schema> entry =
                    api.getComponents().getSchemas().get("EventForm").getProperties();
            ((Schema<String>) entry.get("kind")).setEnum(Events.words());
            entry.get("fields")
                    .setDescription("The fields of its kind as texts; readings as typed from the meter. "
                            + Events.KINDS.stream()
                                    .map(k -> k.word() + ": " + String.join(", ", k.fields()))
                                    .collect(Collectors.joining("; ")));
            Map<String, Schema> state =
                    api.getComponents().getSchemas().get("State").getProperties();
            ((Schema<String>) state.get("here"))
                    .setEnum(Stops.RAIL.stops().stream().map(Stop::id).toList());
        };
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
            route.fields().forEach(f -> schema.addProperty(f.name(), property(f)));
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

    private static Schema<?> property(FieldSpec<?> field) {
        StringSchema text = new StringSchema();
        text.setDescription(field.label());
        if (!field.choices().isEmpty()) {
            text.setEnum(field.choices().stream().map(FieldSpec.Choice::value).toList());
        }
        if (!field.usual().isEmpty()) {
            text.setDefault(field.usual());
        }
        return text;
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void describe(OpenAPI api, String form, List<Way<?>> ways, Predicate<Parameter> asked) {
        Schema<?> schema = api.getComponents().getSchemas().get(form);
        Map<String, Schema> properties = schema.getProperties();
        List<String> words =
                Stream.concat(Stream.of(""), ways.stream().map(Way::id)).toList();
        ((Schema<String>) properties.get("method")).setEnum(words);
        properties.remove("sensing");
        schema.setAdditionalProperties(false);
        for (Parameter p : Ways.parameters()) {
            List<String> with = Ways.asking(p.name()).stream()
                    .filter(ways::contains)
                    .map(Way::id)
                    .toList();
            if (!with.isEmpty() && asked.test(p) && !properties.containsKey(p.name())) {
                StringSchema text = new StringSchema();
                text.setDescription(p.label() + "; with " + String.join(", ", with));
                if (p.kind() == Parameter.Kind.TICK) {
                    text.setEnum(List.of("", "yes", "no"));
                }
                properties.put(p.name(), text);
            }
        }
    }
}
