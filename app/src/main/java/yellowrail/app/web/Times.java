package yellowrail.app.web;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.IExpressionContext;
import org.thymeleaf.dialect.IExpressionObjectDialect;
import org.thymeleaf.expression.IExpressionObjectFactory;

/**
 * Times as a page's {@code time} elements name them, under {@code #times} in every template, those drawn without a request
 * too. What is shown is worded in the reader's own zone by a script.
 */
@Component
public class Times implements IExpressionObjectDialect, IExpressionObjectFactory {
    private static final String NAME = "times";

    /** @param millis since 1970; nothing for none */
    public String iso(Long millis) {
        return millis == null || millis <= 0
                ? null
                : Instant.ofEpochMilli(millis).truncatedTo(ChronoUnit.SECONDS).toString();
    }

    @Override
    public String getName() {
        return NAME;
    }

    @Override
    public IExpressionObjectFactory getExpressionObjectFactory() {
        return this;
    }

    @Override
    public Set<String> getAllExpressionObjectNames() {
        return Set.of(NAME);
    }

    @Override
    public Object buildObject(IExpressionContext context, String expressionObjectName) {
        return this;
    }

    @Override
    public boolean isCacheable(String expressionObjectName) {
        return true;
    }
}
