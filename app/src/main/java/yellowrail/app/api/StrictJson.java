package yellowrail.app.api;

import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import yellowrail.app.text.CleanStrings;

/** What comes in as JSON is read to the letter: no unknown field, no field twice, nothing behind the end. */
@Configuration
class StrictJson {
    @Bean
    JsonMapperBuilderCustomizer strict() {
        return builder -> builder.enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .addModule(CleanStrings.module());
    }
}
