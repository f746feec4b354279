package yellowrail.app.web;

import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.filter.ShallowEtagHeaderFilter;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;

/** How styles, scripts, fonts and pictures are linked and kept by browsers. */
@Configuration
class StaticFiles {
    /**
     * Links stand in pages as templates write them. The framework would look among the static files for every link of every
     * page, to add a version to its address: that took half of a page's time.
     */
    @Bean
    FilterRegistrationBean<ResourceUrlEncodingFilter> noLookupOfLinks() {
        FilterRegistrationBean<ResourceUrlEncodingFilter> registration =
                new FilterRegistrationBean<>(new ResourceUrlEncodingFilter());
        registration.setEnabled(false);
        return registration;
    }

    /**
     * A browser asks each time and is told by content whether its copy still holds. All files of a build bear one fixed date,
     * by which a script of an earlier version would pass as unchanged for ever.
     */
    @Bean
    FilterRegistrationBean<ShallowEtagHeaderFilter> knownByContent() {
        FilterRegistrationBean<ShallowEtagHeaderFilter> registration =
                new FilterRegistrationBean<>(new ShallowEtagHeaderFilter());
        registration.addUrlPatterns("/css/*", "/js/*", "/fonts/*", "/img/*", "/webjars/*");
        return registration;
    }
}
