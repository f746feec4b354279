package yellowrail.app.web;

import org.springframework.security.config.annotation.web.builders.HttpSecurity;

/** What a feature adds to who may ask for what. */
public interface SecurityPart {
    void apply(HttpSecurity http) throws Exception;
}
